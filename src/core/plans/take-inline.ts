import { BASE } from '../breakpoints/breakpoint';
import { generate, parse } from 'css-tree';
import type { Declaration, DeclarationList } from 'css-tree';
import { allDeclarations, styleSetsOf } from '../document/style-sets';
import type { PageElement } from '../document/element';
import type { Project } from '../document/project';
import { isInUse } from '../document/use';
import { applyEdit } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { requireElement } from '../edits/edit';
import { stylesFootprint } from '../edits/footprint';
import { requireStyles } from '../edits/owners';
import type { ValueChange } from '../edits/value-writer';
import { readWholeSheet } from '../read';
import { checkValue } from '../styles/value';
import type { Plan } from './plan';
import { PlanError, restyleEdit } from './plan';
import { listed, plural } from '../text';

interface Inline {
  readonly values: Readonly<Record<string, string>>;
  /** What stays in the attribute, as it was written. */
  readonly left: string;
}

/**
 * Makes what `style` attributes say own values of their elements, at the base. What is important there, shows a file or isn't known here
 * stays in the attribute. All values are compared in all parts of all viewports, at rest and in their states.
 * @throws PlanError where there is nothing to take, or something would look otherwise
 */
export function planTakeInline(project: Project, ids: readonly string[]): Plan {
  const refused = new Map<string, readonly string[]>();
  for (;;) {
    const taking = ids.filter((id) => !refused.has(id)).flatMap((id) => takingOf(project, id) ?? []);
    if (taking.length === 0) {
      const [properties] = refused.values();
      throw new PlanError(
        properties
          ? `${listed(properties)} would be another one somewhere, in some state; it stays in the attribute.`
          : 'There is nothing in a style attribute here that can be written as an own value.',
      );
    }
    const many = plural(taking.length, 'element');
    const label = `Take over the style ${taking.length === 1 ? `attribute of ${taking[0]!.element.name}` : `attributes of ${many}`}`;
    const edit: Edit = {
      type: 'group',
      label: label.slice(0, 199),
      edits: [
        ...taking.map(({ element: { id }, left }): Edit => ({
          type: 'setAttribute',
          node: id,
          name: 'style',
          value: left || null,
        })),
        restyleEdit(label, [...taking.flatMap(({ changes }) => changes)]),
      ],
    };
    const { document } = applyEdit(project, edit);
    const wrong = taking.filter(({ element, values }) => {
      const names = new Set(Object.keys(values));
      const asked = ['', ...styleSetsOf(element).map(([pseudo]) => pseudo)].map(
        (pseudo) => [element.id + pseudo, names] as const,
      );
      const [page] = Object.values(stylesFootprint(project, document, new Map(asked)));
      if (page) refused.set(element.id, page.properties);
      return page;
    });
    if (wrong.length > 0) continue;
    const values = taking.reduce((sum, one) => sum + Object.keys(one.values).length, 0);
    const never = taking.reduce((sum, one) => sum + one.changes.length, 0) - values;
    const left = taking.filter((one) => one.left !== '').length;
    const details = [
      `Compared: ${plural(values, 'value')} ${values === 1 ? 'is' : 'are'} the same at every width, in every state; so are all boxes.`,
    ];
    if (never > 0) details.push(`${plural(never, 'own value')} that never showed ${never === 1 ? 'goes' : 'go'}.`);
    if (left > 0) details.push(`In ${left} something stays: it is important, shows a file, or isn’t known here.`);
    if (refused.size > 0)
      details.push(`${plural(refused.size, 'element')} would look otherwise in some state, and keep the attribute.`);
    const attribute = taking.length === 1 ? 'attribute of 1 element says' : `attributes of ${many} say`;
    return { edit, sentence: `Makes what the style ${attribute} own values. Nothing looks different.`, details };
  }
}

interface Taking extends Inline {
  readonly element: PageElement;
  readonly changes: readonly ValueChange[];
}

function takingOf(project: Project, id: string): Taking | undefined {
  const { element } = requireElement(project, id);
  if (element.attributes.style === undefined || isInUse(id)) return undefined;
  const inline = readInline(element.attributes.style);
  const written = Object.entries(inline.values).map(([property, value]): ValueChange => ({
    owner: id,
    at: BASE,
    property,
    value,
  }));
  return written.length > 0
    ? { ...inline, element, changes: [...written, ...neverShown(project, element, inline.values)] }
    : undefined;
}

/** What of a `style` attribute can be written as values. */
function readInline(style: string): Inline {
  const tree = parse(style, { context: 'declarationList', positions: true, onParseError: () => undefined }) as DeclarationList;
  const nodes = tree.children.toArray();
  const [whole] = readWholeSheet(`* {${style}\n}`).rules;
  const stays = new Set<string>([...Object.keys(whole?.important ?? {}), ...(whole?.doubted ?? [])]);
  const written = nodes.map((node) => {
    const text = node.loc ? style.slice(node.loc.start.offset, node.loc.end.offset) : generate(node);
    return { text: text.trim(), values: node.type === 'Declaration' ? valuesOf(node, style) : undefined };
  });
  // A longhand that is said again by what stays has to stay, and then all that is said with it.
  for (let changed = true; changed;) {
    changed = false;
    for (const one of written) {
      if (!one.values || !Object.keys(one.values).some((name) => stays.has(name))) continue;
      for (const name in one.values) stays.add(name);
      one.values = undefined;
      changed = true;
    }
  }
  const left = written.filter(({ values, text }) => !values && text !== '').map(({ text }) => text);
  return {
    values: Object.assign({}, ...written.map(({ values }) => values ?? {})) as Record<string, string>,
    left: left.join('; '),
  };
}

function valuesOf(node: Declaration, style: string): Readonly<Record<string, string>> | undefined {
  if (node.important !== false) return undefined;
  const { loc } = node.value;
  const written = loc ? style.slice(loc.start.offset, loc.end.offset) : generate(node.value);
  const value = written
    .replace(/\/\*[\s\S]*?\*\//g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (/url\(/i.test(value)) return undefined;
  const checked = checkValue(node.property, value);
  if (!checked.ok) return undefined;
  // Written so here it would be of another size.
  return /^monospace$/i.test(value) ? undefined : checked.declarations;
}

/** Own values under breakpoints, which the attribute has beaten so far. */
function neverShown(project: Project, element: PageElement, values: Readonly<Record<string, string>>): ValueChange[] {
  if (allDeclarations(element).length === 0) return [];
  return Object.entries(requireStyles(project, element.id)).flatMap(([at, declarations]) =>
    at === BASE
      ? []
      : Object.keys(declarations)
          .filter((name) => name in values)
          .map((property): ValueChange => ({ owner: element.id, at, property, value: null })),
  );
}
