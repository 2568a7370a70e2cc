import type { Config } from "@react-router/dev/config";

export default {
  // A static folder is the whole product: everything is computed and kept in the browser.
  ssr: false,
  future: {
    v8_middleware: true,
    v8_splitRouteModules: true,
    v8_viteEnvironmentApi: true,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
} satisfies Config;
