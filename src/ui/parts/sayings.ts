import type { PageElement, Project, Saying } from '@/core/document';
import { childIds, partNamed, styleSetsOf, topOf } from '@/core/document';
import type { Edit } from '@/core/edits';

/** One thing that a use says otherwise than its part, and the edit that takes it back. */
export interface SaidHere {
  readonly key: string;
  /** The element of the part that it is about. */
  readonly of: string;
  readonly what: string;
  /** Whether the part still has what it is about. */
  readonly isShown: boolean;
  readonly back: Edit;
}

const counted = (count: number) => (count === 1 ? '1 value' : `${count} values`);

/** All that a use says of its own, in the order of the part. */
export function saidBy(project: Project, use: PageElement): SaidHere[] {
  const part = use.use && partNamed(project, use.use.part);
  if (!use.use || !part) return [];
  const top = topOf(part);
  const order = Object.keys(part.elements);
  const own: Saying = {
    styles: use.styles,
    pseudo: use.pseudo,
    attributes: use.kept?.attributes,
    texts: use.use.says['']?.texts,
  };
  const all: [string, Saying][] = [['', own], ...Object.entries(use.use.says).filter(([path]) => path !== '')];
  all.sort(([a], [b]) => (a === '' ? -1 : b === '' ? 1 : order.indexOf(a) - order.indexOf(b)));
  return all.flatMap(([path, saying]) => {
    const element = path === '' ? top : part.elements[path];
    const node = path === '' ? use.id : `${use.id}.${path}`;
    const of = path === '' ? use.name : (element?.name ?? 'something that has gone');
    const one = (kind: string, what: string, back: Edit, isShown = element !== undefined): SaidHere => ({
      ...{ key: `${path} ${kind}`, of, what, isShown, back },
    });
    const values = styleSetsOf(saying).flatMap(([pseudo, styles]) =>
      Object.entries(styles).flatMap(([at, declarations]) =>
        Object.keys(declarations).map((property) => ({ owner: node + pseudo, at, property, value: null })),
      ),
    );
    const fits = element !== undefined && saying.texts?.length === childIds(element).length + 1;
    return [
      ...(saying.hidden ? [one('hidden', 'left out', { type: 'setHidden', node, hidden: false })] : []),
      ...(saying.texts
        ? [one('text', `“${saying.texts.join(' … ').trim()}”`, { type: 'sayTexts', node, texts: null }, fits)]
        : []),
      ...Object.entries(saying.attributes ?? {}).map(([name, value]) =>
        one(name, `${name} ${value.replace(/^(picture|page):/, '')}`, { type: 'setAttribute', node, name, value: null }),
      ),
      ...(values.length > 0
        ? [
            one('values', counted(values.length), {
              type: 'restyle',
              label: `Take back ${counted(values.length)} of ${of}`,
              changes: values,
            }),
          ]
        : []),
    ];
  });
}
