/** No code from strings: the page’s policy forbids it, and the schemas’ library need not even try. */
import * as z from "zod/mini";

z.config({ jitless: true });
