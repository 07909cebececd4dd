import fc from 'fast-check';
import { arbitraryProject } from '../cascade/arbitrary-project';
import type { Page } from '@/core/document';
import { isRun } from '@/core/document/content';
import { expanded } from '@/core/document/expand';
import { pathOf } from '@/core/document/addresses';
import { renderExport } from '@/core/render';
import { bringIn } from '@/core/bring-in';
import { hashForTests } from '@/core/bring-in/hash-for-tests';

/** What a page is for those who read it: tags, attributes but for classes, texts without the white space between blocks. */
function seen(page: Page, id: string): unknown {
  const { tag, attributes, children, source } = page.elements[id]!;
  // What makes it a panel is written as attributes.
  const { class: _, popover: __, 'data-panel': ___, ...said } = attributes;
  // What stands in it is for readers without scripts, and these pages had scripts.
  const inside = (tag === 'noscript' ? [] : children)
    .map((child) => (isRun(child) ? child.text.replace(/\s+/g, ' ').trim() : seen(page, child)))
    .filter((child) => child !== '');
  return [
    tag,
    Object.entries(said).sort(([a], [b]) => (a < b ? -1 : 1)),
    inside,
    ...(source ? [source.replace(/\s+/g, ' ')] : []),
  ];
}

test('a page that is handed over and brought in again is the same page', () => {
  fc.assert(
    fc.property(arbitraryProject, (given) => {
      const project = expanded(given);
      const files = renderExport(project).flatMap(({ path, content }) =>
        'text' in content ? [{ path, bytes: new TextEncoder().encode(content.text) }] : [],
      );
      const read = bringIn(files, { project: { pages: [], sheets: [], files: [] }, hash: hashForTests, key: 'k' });
      expect(read.refused).toEqual([]);
      for (const page of project.pages) {
        const again = read.pages.find(({ brought }) => pathOf('', brought!.file) === `${page.slug}.html`)!;
        expect(seen(again, again.root)).toEqual(seen(page, page.root));
        expect(again.title).toBe(page.title ?? page.name);
      }
    }),
    { numRuns: Number(process.env.DOCUMENTS ?? 40) },
  );
});
