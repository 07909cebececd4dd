import { childIds, isRun } from '../document/content';
import type { PageElement } from '../document/element';
import type { Surroundings } from '../document/html';
import { isInert, surroundings, whyNotConforming, whyNoWordsIn } from '../document/html';
import type { Page, Project } from '../document/project';
import { treesOf } from '../document/tree';
import { isInUse } from '../document/use';
import type { LintFinding } from './lint';

/** Elements and texts that stand where HTML doesn't allow them (HTML, content models), though browsers show them. */
export function lintContentModels(project: Project): LintFinding[] {
  return treesOf(project).flatMap((page) => {
    const found: LintFinding[] = [];
    const visit = (element: PageElement, around: Surroundings | undefined) => {
      const why = around && !isInert(element.tag) ? whyNotConforming(element.tag, around) : undefined;
      // What is wrong in a part is said of the part.
      if (why && !isInUse(element.id)) found.push(finding(page, element, why, 'element'));
      const words = element.children.some((child) => isRun(child) && /\S/.test(child.text))
        ? whyNoWordsIn(element.tag)
        : undefined;
      if (words && !element.layers) found.push(finding(page, element, words, 'words'));
      const inside = surroundings(element.tag, around);
      for (const child of childIds(element)) visit(page.elements[child]!, inside);
    };
    visit(page.elements[page.root]!, undefined);
    return found;
  });
}

const finding = (page: Page, { id, name }: PageElement, why: string, what: string): LintFinding => ({
  lint: 'not-allowed-there',
  key: `${id} ${what} model`,
  owner: id,
  pageId: page.id,
  sentence: `${name}: ${why}`,
  fix: undefined,
  unchanged: false,
});
