import type { PageElement, Project } from '@/core/document';
import { childIds, pageOf } from '@/core/document';
import { applyEdit } from '@/core/edits';
import type { Edit } from '@/core/edits';
import { planNoList } from '@/core/plans';

/** Edits that make ordinary uses of the first six cards of the demo's catalogue, each with a height of its own on narrow screens. */
export function cardEdits(demo: Project): readonly Edit[] {
  let n = 0;
  const holder = (project: Project): PageElement =>
    Object.values(pageOf(project, 'gcatalogue')!.elements).find(({ name }) => name === 'Tool cards')!;
  const { id: list, list: rows } = holder(demo);
  const six: Edit = { type: 'setList', node: list, list: { ...rows!, most: 6 } };
  const shown = applyEdit(demo, six).document;
  const { edit } = planNoList(shown, list, () => `use${n++}`);
  const uses = applyEdit(shown, edit).document;
  const { elements } = pageOf(uses, 'gcatalogue')!;
  const own = childIds(holder(uses)).flatMap((use): Edit[] => {
    const title = Object.values(elements).find((one) => one.id.startsWith(`${use}.`) && one.tag === 'h3')!;
    const [text] = title.children as readonly [{ readonly text: string }];
    return [
      { type: 'renameElement', node: use, name: `${text.text.replace(/,.*/, '')} card` },
      { type: 'setStyle', owner: use, at: 'bnarrow', property: 'height', value: '390px' },
    ];
  });
  return [six, edit, ...own];
}
