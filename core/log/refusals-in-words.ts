/** Error messages of Zod's small build, which ships without any. */
import * as z from "zod/mini";

z.config(z.locales.en());
