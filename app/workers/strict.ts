/** Turns off Zod's code generation, which the page's policy forbids. */
import * as z from "zod/mini";

z.config({ jitless: true });
