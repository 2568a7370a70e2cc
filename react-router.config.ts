import type { Config } from "@react-router/dev/config";
import { ADDRESSES } from "./app/handbook-pages.ts";

export default {
  // A static folder is the whole product: everything is computed and kept in the browser.
  ssr: false,
  // A page of the handbook is read without scripts. "/" stays out: index.html is what every other address opens with.
  prerender: [...ADDRESSES],
  future: {
    v8_middleware: true,
    v8_splitRouteModules: true,
    v8_viteEnvironmentApi: true,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
} satisfies Config;
