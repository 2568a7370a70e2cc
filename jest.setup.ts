import "@testing-library/jest-dom";
import { configure } from "@testing-library/react";

// What a screen waits for may take its time on a slow machine; a hang is found by the test's own limit.
configure({ asyncUtilTimeout: 10_000 });
