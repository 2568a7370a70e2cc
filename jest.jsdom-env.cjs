// jsdom lacks or shadows Node web globals that React Router needs. Keep jsdom's FormData (it reads
// <form>); never add MessageChannel (Jest then never exits).
const { TestEnvironment } = require("jest-environment-jsdom");

const missing = [
  "TextEncoder",
  "TextDecoder",
  "Headers",
  "Response",
  "fetch",
  "ReadableStream",
  "TransformStream",
  "WritableStream",
  "structuredClone",
];
const replaced = ["Request", "URLSearchParams", "AbortController", "AbortSignal"];

module.exports = class extends TestEnvironment {
  async setup() {
    await super.setup();
    for (const k of missing) this.global[k] ??= globalThis[k];
    for (const k of replaced) this.global[k] = globalThis[k];
  }
};
