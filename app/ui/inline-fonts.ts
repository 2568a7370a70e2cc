/** The app's fonts as data URLs, for pictures made of a part of the page. */

async function asData(address: string): Promise<string> {
  const blob = await (await fetch(address)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(typeof reader.result === "string" ? reader.result : "");
    reader.onerror = () => reject(new Error(`the font ${address} could not be read`));
    reader.readAsDataURL(blob);
  });
}

/** Only what is drawn on the page is loaded already: those alone are wanted. */
const isDrawn = (rule: CSSFontFaceRule): boolean =>
  [...document.fonts].some(
    (face) =>
      face.status === "loaded" &&
      face.family.replaceAll(/["']/g, "") ===
        rule.style.getPropertyValue("font-family").replaceAll(/["']/g, "") &&
      face.weight === rule.style.getPropertyValue("font-weight") &&
      face.unicodeRange === (rule.style.getPropertyValue("unicode-range") || "U+0-10FFFF"),
  );

function fontRules(rules: CSSRuleList): CSSFontFaceRule[] {
  return [...rules].flatMap((rule) =>
    rule instanceof CSSFontFaceRule
      ? [rule]
      : "cssRules" in rule
        ? fontRules(rule.cssRules as CSSRuleList)
        : [],
  );
}

/** @returns the rules of all fonts that the page draws with, each with its file inside */
export async function inlineFonts(): Promise<string> {
  const sheets = [...document.styleSheets].filter(({ href }) => href !== null);
  const wanted = sheets.flatMap((sheet) =>
    fontRules(sheet.cssRules)
      .filter(isDrawn)
      .map((rule) => ({ rule, href: sheet.href ?? "" })),
  );
  const texts = await Promise.all(
    wanted.map(async ({ rule, href }) => {
      const address = /url\(["']?([^"')]+)["']?\)/.exec(rule.style.getPropertyValue("src"))?.[1];
      if (address === undefined) return "";
      return rule.cssText.replace(/src:[^;]+;/, `src: url("${await asData(new URL(address, href).href)}");`);
    }),
  );
  return texts.join("\n");
}
