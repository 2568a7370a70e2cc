import mdx from "@mdx-js/rollup";
import { reactRouter } from "@react-router/dev/vite";
import remarkGfm from "remark-gfm";
import { defineConfig } from "vite";
import routes from "./app/routes.ts";
import { chunks } from "./scripts/chunks.ts";
import { workerChunks } from "./scripts/worker-chunks.ts";

const { plugin, groups } = chunks(routes);
/** Of a file that several share, the first of their names is enough. */
const chunkFileNames = ({ name }: { name: string }): string => `assets/${name.split("~")[0]}-[hash].js`;

/** A worker has no page to put links into: what it imports later it asks for itself. */
const inWorker = (file: string): boolean => /[\\/](judge|workers|[\w-]+\.worker)-/.test(file);
const resolveDependencies = (_: string, files: string[], { hostId }: { hostId: string }): string[] =>
  inWorker(hostId) ? [] : files;

export default defineConfig({
  plugins: [
    { enforce: "pre", ...mdx({ remarkPlugins: [remarkGfm], providerImportSource: "@mdx-js/react" }) },
    workerChunks(),
    plugin,
    reactRouter(),
  ],
  worker: { format: "es" },
  // One sheet for all: in parts, what comes later brings the first one along again, fonts and layout with it.
  build: { cssCodeSplit: false },
  environments: {
    // What the build itself draws the page with is not for the page.
    ssr: { build: { cssCodeSplit: true } },
    client: {
      build: {
        modulePreload: { resolveDependencies },
        rolldownOptions: { output: { chunkFileNames, codeSplitting: { groups } } },
      },
    },
  },
});
