// What a page of Tamis may load and run: its own files, and of inline code exactly what the build has put there.
import { createHash } from "node:crypto";

const hash = (text) => `'sha256-${createHash("sha256").update(text).digest("base64")}'`;
const inline = (html, tag) =>
  [...html.matchAll(new RegExp(`<${tag}(?![^>]*\\ssrc=)[^>]*>([\\s\\S]*?)</${tag}>`, "g"))].map(
    ([, text]) => text,
  );

/**
 * @param html - the page as built
 * @returns the policy, the same for the page and, as a header, for its workers
 */
export function policyOf(html) {
  // The style library makes its elements empty and fills them by rule: the empty string's hash lets it.
  const styles = ["", ...inline(html, "style")].map(hash);
  return [
    "default-src 'self'",
    `script-src 'self' ${inline(html, "script").map(hash).join(" ")}`,
    `style-src 'self' ${[...new Set(styles)].join(" ")}`,
    // The charts write the looks of their lines as attributes: those alone, no style elements.
    "style-src-attr 'unsafe-inline'",
    "connect-src 'self'",
    "img-src 'self' blob: data:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join("; ");
}

/** A page's own word on who may frame it is not heard: it is sent along. */
export const NOT_FRAMED = "frame-ancestors 'none'";

/** @returns the policy as a host sends it */
export const sentPolicyOf = (html) => `${policyOf(html)}; ${NOT_FRAMED}`;

/** @returns the page with its own policy in it, before anything that it is about */
export function withPolicy(html) {
  const tag = `<meta http-equiv="Content-Security-Policy" content="${policyOf(html)}"/>`;
  const first = '<meta charSet="utf-8"/>';
  if (!html.includes(first)) throw new Error(`the page has no ${first}: its policy found no place in it`);
  return html.replace(first, `${first}${tag}`);
}
