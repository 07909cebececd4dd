import { find } from './nodes';

function block(key: string): HTMLStyleElement | null {
  return document.querySelector(`style[data-mp-block="${CSS.escape(key)}"]`);
}

export function patchRules(changes: readonly { block: string; index: number; css: string }[]): void {
  for (const change of changes) {
    const sheet = block(change.block)?.sheet;
    let list = sheet?.cssRules;
    // Inside a cascade layer, a media query, or one in the other.
    while (list?.[0] instanceof CSSGroupingRule && !(list[0] instanceof CSSStyleRule)) list = list[0].cssRules;
    const rule = list?.[change.index];
    if (rule instanceof CSSStyleRule) rule.style.cssText = change.css;
  }
}

/** Style elements in the given order; those that stay the same are not touched. */
export function putBlocks(blocks: readonly { key: string; css?: string }[]): void {
  const styles = [...document.querySelectorAll<HTMLStyleElement>('style[data-mp-block]')];
  const wanted = new Set(blocks.map(({ key }) => key));
  const old = new Map(styles.map((style) => [style.dataset.mpBlock!, style]));
  for (const [key, style] of old) if (!wanted.has(key)) style.remove();
  let after: Element = document.querySelector('style[data-mp-fonts]')!;
  for (const { key, css } of blocks) {
    let style = old.get(key);
    if (!style) {
      style = document.createElement('style');
      style.dataset.mpBlock = key;
    }
    const moves = after.nextElementSibling !== style;
    if (css !== undefined) style.textContent = css;
    // A style element that is moved reads its text again, and would forget the rules that were patched in place.
    else if (moves && style.sheet) style.textContent = [...style.sheet.cssRules].map((rule) => rule.cssText).join('\n');
    if (moves) after.after(style);
    after = style;
  }
}

/** The font faces that the frame knows. */
export function putFonts(css: string): void {
  document.querySelector('style[data-mp-fonts]')!.textContent = css;
}

/** The language of the page, and where its lines begin. */
export function putHtmlAttributes(attributes: Readonly<Record<string, string>>): void {
  const root = document.documentElement;
  for (const name of ['lang', 'dir'])
    if (attributes[name] === undefined) root.removeAttribute(name);
    else root.setAttribute(name, attributes[name]);
}

function takeAttributes(from: Element, to: Element): void {
  for (const { name } of [...from.attributes])
    if (!to.hasAttribute(name) && name !== 'contenteditable') from.removeAttribute(name);
  for (const { name, value } of [...to.attributes]) if (from.getAttribute(name) !== value) from.setAttribute(name, value);
}

/** Puts nodes into an element. What somebody writes in is never taken out on the way: it would lose the keyboard. */
function arrange(element: Element, wanted: readonly Node[]): void {
  const held = document.querySelector('[contenteditable=true]');
  if (!held || held === element || !element.contains(held)) return element.replaceChildren(...wanted);
  let next = element.firstChild;
  for (const node of wanted) {
    if (node.contains(held))
      while (next && next !== node) {
        const after: ChildNode | null = next.nextSibling;
        next.remove();
        next = after;
      }
    if (next === node) next = node.nextSibling;
    else element.insertBefore(node, next);
  }
  while (next) {
    const after: ChildNode | null = next.nextSibling;
    next.remove();
    next = after;
  }
}

/** Makes `to` of `from` with as few changes as it takes, so that pictures and scroll positions stay. */
function morph(from: Element, to: Element): void {
  takeAttributes(from, to);
  // What somebody is typing stays as it is until they have finished.
  if (from.getAttribute('contenteditable') === 'true') {
    for (const inner of to.querySelectorAll<HTMLElement>('[data-mp-node]')) {
      const known = find(inner.dataset.mpNode!);
      if (known && from.contains(known)) takeAttributes(known, inner);
    }
    return;
  }
  const old = new Map([...from.children].map((child) => [(child as HTMLElement).dataset.mpNode, child]));
  const wanted = [...to.childNodes].map((child) => {
    if (!(child instanceof HTMLElement)) return document.importNode(child, true);
    const known = old.get(child.dataset.mpNode);
    if (!known || known.localName !== child.localName) return document.importNode(child, true);
    morph(known, child);
    return known;
  });
  const same =
    wanted.length === from.childNodes.length &&
    wanted.every(
      (child, i) => child === from.childNodes[i] || (child.nodeType === 3 && child.nodeValue === from.childNodes[i]!.nodeValue),
    );
  if (!same) arrange(from, wanted);
}

export function putBody(html: string): void {
  morph(
    document.body,
    new DOMParser().parseFromString(`${document.compatMode === 'BackCompat' ? '' : '<!doctype html>'}${html}`, 'text/html').body,
  );
}

/** One element and all in it as it is to be, where the rest of the page stays. */
export function putInside(id: string, html: string): void {
  const element = find(id);
  // A parser takes a body only as part of a whole document.
  if (element === document.body) return putBody(html);
  const template = document.createElement('template');
  template.innerHTML = html;
  const next = template.content.firstElementChild;
  if (element && next) morph(element, next);
}
