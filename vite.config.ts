import { reactRouter } from "@react-router/dev/vite";
import { defineConfig } from "vite";
import { chunks } from "./scripts/chunks.ts";
import { workerChunks } from "./scripts/worker-chunks.ts";

const { plugin, groups } = chunks();
/** Of a file that several share, the first of their names is enough. */
const chunkFileNames = ({ name }: { name: string }): string => `assets/${name.split("~")[0]}-[hash].js`;

export default defineConfig({
  plugins: [workerChunks(), plugin, reactRouter()],
  worker: { format: "es" },
  environments: {
    client: { build: { rolldownOptions: { output: { chunkFileNames, codeSplitting: { groups } } } } },
  },
});
