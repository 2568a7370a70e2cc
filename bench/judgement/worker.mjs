// A thread starts without the loader that reads TypeScript: it brings its own.
import { register } from "tsx/esm/api";

register();
await import("./worker.ts");
