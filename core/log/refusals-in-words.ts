/** What a record is refused for is said in words, "expected number, received string": the small build has none of its own. */
import * as z from "zod/mini";

z.config(z.locales.en());
