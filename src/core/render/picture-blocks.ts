import { BASE } from '../breakpoints/breakpoint';
import { termsWhere } from '../breakpoints/choice';
import { filesWithin } from '../pictures/files';
import type { PageElement } from '../document/element';
import type { Page, Picture, Project } from '../document/project';
import { pictureChoice } from '../document/shown-pictures';
import type { SheetBlock } from './sheet-block';
import type { SheetOptions } from './sheet-options';
import { termQueries } from './term-query';

/**
 * What images show at breakpoints, as previews say it: by `content` (CSS Content 3, 2), which changes nothing of what stands in the page.
 * With each picture comes its size and the files that it will be handed over in, for those who measure.
 */
export function pictureBlocks(project: Project, pages: readonly Page[], options: SheetOptions): SheetBlock[] {
  const byId = new Map(project.pictures.map((picture) => [picture.id, picture]));
  const blocks = new Map<string, SheetBlock & { readonly rules: SheetBlock['rules'][number][] }>();
  const put = (key: string, block: Omit<SheetBlock, 'key' | 'rules'>, rule: SheetBlock['rules'][number]) => {
    const known = blocks.get(key) ?? { key, rules: [], ...block };
    known.rules.push(rule);
    blocks.set(key, known);
  };
  for (const page of pages)
    for (const element of Object.values(page.elements)) {
      const choice = pictureChoice(element);
      if (!choice) continue;
      const selector = `[data-mp-node="${element.id}"]`;
      const base = choice.get(BASE)!;
      if (byId.get(base)?.photo) put('pictures', {}, { key: element.id, selector, lines: factsOf(byId.get(base), element) });
      for (const shown of new Set(choice.values())) {
        if (shown === base) continue;
        const lines = [`content: url("${options.addresses.picture(shown)}");`, ...factsOf(byId.get(shown), element)];
        for (const term of termsWhere(project.breakpoints, choice, base, (one) => one === shown)) {
          const queries = termQueries(term, options.standIn, options.queries);
          if (queries === null) continue;
          const query = queries[queries.length - 1];
          const within = query === undefined ? {} : { query, within: queries.slice(0, -1) };
          put(`pictures ${queries.join(' & ')}`, { term, ...within }, { key: `${element.id} ${shown}`, selector, lines });
        }
      }
    }
  return [...blocks.values()];
}

const factsOf = (picture: Picture | undefined, element: PageElement): string[] =>
  picture?.photo
    ? [
        `--mp-picture: ${picture.photo.width} ${picture.photo.height};`,
        `--mp-files: ${filesWithin(picture.photo, element)
          .map(({ width, bytes }) => `${width} ${bytes}`)
          .join(' ')};`,
      ]
    : ['--mp-picture: initial;', '--mp-files: initial;'];
