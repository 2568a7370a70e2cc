/**
 * Workers built with the page, not each for itself: what both need (the core, its schemas) is then one file, asked for,
 * read and kept once. Only for a build; while developing the server's own way stands.
 */
import type { Plugin } from "vite";

const ASKED = "?worker&url";
const CHUNK = "\0worker-chunk:";

/** @returns what turns `import address from "./x.worker.ts?worker&url"` into a chunk of the page's own build */
export function workerChunks(): Plugin {
  return {
    name: "worker-chunks",
    apply: "build",
    enforce: "pre",
    async resolveId(source, importer) {
      if (!source.endsWith(ASKED)) return undefined;
      const file = await this.resolve(source.slice(0, -ASKED.length), importer);
      return file && `${CHUNK}${file.id}`;
    },
    load(id) {
      if (!id.startsWith(CHUNK)) return undefined;
      if (this.environment.name !== "client") return 'export default ""';
      const file = id.slice(CHUNK.length);
      const name = file.slice(file.lastIndexOf("/") + 1).replace(/\.ts$/, "");
      const chunk = this.emitFile({ type: "chunk", id: file, name });
      return `export default import.meta.ROLLDOWN_FILE_URL_${chunk};`;
    },
    // As plain text: an address made at run time would be encoded before the file's name is known.
    resolveFileUrl({ moduleId, fileName }) {
      return moduleId.startsWith(CHUNK)
        ? JSON.stringify(`${this.environment.config.base}${fileName}`)
        : undefined;
    },
  };
}
