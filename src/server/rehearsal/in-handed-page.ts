/** Runs in a page as it is handed over: what stands there of alternates that are built later, and what was typed. */
export interface HandedPage {
  readonly built: () => number;
  /** Of what content of a `template` an element was made. */
  readonly madeOf: WeakMap<Node, Node>;
}

/** Counts from the first moment on. Given to the browser as text, so it uses nothing from around it. */
export function countBuilt(): void {
  let built = 0;
  document.addEventListener('alternatebuilt', () => built++);
  const madeOf = new WeakMap<Node, Node>();
  const importNode = document.importNode.bind(document) as (node: Node, deep?: boolean) => Node;
  document.importNode = <T extends Node>(node: T, deep?: boolean) => {
    const copy = importNode(node, deep);
    for (const child of copy.childNodes) madeOf.set(child, node);
    return copy as T;
  };
  (globalThis as { millPondHanded?: HandedPage }).millPondHanded = { built: () => built, madeOf };
}

/** Reads what shows, then types something new into all its fields. Given to the browser as text. */
export function tellAndType(round: number): object {
  type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;
  const FIELDS = 'input[name], select[name], textarea[name]';
  const isTicked = (field: Field): field is HTMLInputElement => field.type === 'checkbox' || field.type === 'radio';
  const valueOf = (field: Field) => (isTicked(field) ? String(field.checked) : field.value);
  const type = (field: Field) => {
    if (isTicked(field)) field.checked = field.type === 'radio' || !field.checked;
    else if (field instanceof HTMLSelectElement) field.selectedIndex = round % Math.max(1, field.options.length);
    else if (['number', 'range'].includes(field.type)) field.value = String(round);
    else if (field.type === 'date') field.value = `2026-01-${String((round % 28) + 1).padStart(2, '0')}`;
    else if (field.type !== 'file' && field.type !== 'hidden') field.value = `visitor${round}@example.org`;
  };
  const { built, madeOf } = (globalThis as { millPondHanded?: HandedPage }).millPondHanded!;
  const places = new Map<string, HTMLTemplateElement[]>();
  for (const place of document.querySelectorAll<HTMLTemplateElement>('template[data-later]'))
    places.set(place.dataset.later!, [...(places.get(place.dataset.later!) ?? []), place]);
  const shown: Record<string, number[]> = {};
  const fields: Record<string, Record<string, { held: string; typed: string }>> = {};
  for (const [set, list] of places) {
    const held: Record<string, { held: string; typed: string }> = {};
    shown[set] = [];
    list.forEach((place, i) => {
      // What is built stands behind its place, before the next one.
      const node = place.nextElementSibling;
      if (!node || madeOf.get(node) !== place.content) return;
      shown[set]!.push(i);
      for (const field of [node, ...node.querySelectorAll('*')])
        if (field.matches(FIELDS)) {
          const one = field as Field;
          const key = `${one.localName} ${one.name}${isTicked(one) ? ` ${one.value}` : ''}`;
          if (key in held || one.type === 'file') continue;
          const before = valueOf(one);
          type(one);
          held[key] = { held: before, typed: valueOf(one) };
        }
    });
    fields[set] = held;
  }
  return { built: built(), shown, fields };
}
