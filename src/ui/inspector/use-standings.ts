import { useMemo } from 'react';
import type { Slice } from '@/core/breakpoints';
import { specifiedValue } from '@/core/cascade';
import type { Page, Project, Pseudo } from '@/core/document';
import { parentOf, readPseudo } from '@/core/document';
import type { Standing } from '@/core/styles';
import type { Fields } from '../origin/watched';

/** The same for two that say the same. */
export const standingKey = (standing: Standing): string => Object.values(standing).join('\n');

/** All ways in which selected elements stand on the page in the band that begins at `width`: what decides which properties do anything. */
export function useStandings(
  project: Project,
  page: Page,
  ids: readonly string[],
  width: number,
  slice: Slice,
  pseudo: Pseudo,
  fields: Fields,
): readonly Standing[] {
  return useMemo(() => {
    const viewport = { ...slice, width };
    const { box } = readPseudo(pseudo);
    const around = new Map<string, string>();
    const displayOf = (parent: string) => {
      let display = around.get(parent);
      if (display === undefined) around.set(parent, (display = specifiedValue(project, page, parent, 'display', viewport)));
      return display;
    };
    const found = new Map<string, Standing>();
    for (const id of ids) {
      const own = (property: string) => fields.get(property)?.value ?? specifiedValue(project, page, id, property, viewport);
      const parent = box ? id : parentOf(page, id)?.id;
      const standing: Standing = {
        tag: box ? '' : page.elements[id]!.tag,
        display: own('display'),
        position: own('position'),
        overflowX: own('overflow-x'),
        overflowY: own('overflow-y'),
        backgroundImage: own('background-image'),
        outlineStyle: own('outline-style'),
        parentDisplay: parent ? displayOf(parent) : 'block',
        generated: box !== undefined,
      };
      found.set(standingKey(standing), standing);
    }
    return [...found.values()];
  }, [project, page, ids, width, slice, pseudo, fields]);
}
