/** The report as one file: its text and pictures, and the styles that it needs. */
export function standalone(name: string): string {
  const styles = [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => !(rule instanceof CSSFontFaceRule))
    .map((rule) => rule.cssText)
    .join("\n");
  const main = document.querySelector("main.report")?.outerHTML ?? "";
  const title = name.replace(/[&<>]/g, (c) => `&#${c.charCodeAt(0)};`);
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title><style>${styles}</style></head><body>${main}</body></html>`;
}
