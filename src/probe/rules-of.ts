/** The rules of a sheet; one that was kept out of the document has none, and says so by an error (CSSOM, 6.1.2). */
export function rulesOf(sheet: CSSStyleSheet): CSSRule[] {
  try {
    return [...sheet.cssRules];
  } catch {
    return [];
  }
}
