import { useMemo } from 'react';
import type { Slice } from '@/core/breakpoints';
import { specifiedValue } from '@/core/cascade';
import type { Page, Project, Pseudo } from '@/core/document';
import { parentOf, readPseudo } from '@/core/document';
import type { Standing } from '@/core/styles';
import type { FieldValue } from '../origin/field-value';

/** How each selected element stands on the page in the band that begins at `width`: what decides which properties do anything. */
export function useStandings(
  project: Project,
  page: Page,
  ids: readonly string[],
  width: number,
  slice: Slice,
  pseudo: Pseudo,
  fields: ReadonlyMap<string, FieldValue>,
): readonly Standing[] {
  return useMemo(
    () =>
      ids.map((id): Standing => {
        const { box } = readPseudo(pseudo);
        const own = (property: string) =>
          fields.get(property)?.value ?? specifiedValue(project, page, id, property, { ...slice, width });
        const parent = box ? id : parentOf(page, id)?.id;
        return {
          tag: box ? '' : page.elements[id]!.tag,
          display: own('display'),
          position: own('position'),
          overflowX: own('overflow-x'),
          overflowY: own('overflow-y'),
          backgroundImage: own('background-image'),
          outlineStyle: own('outline-style'),
          parentDisplay: parent ? specifiedValue(project, page, parent, 'display', { ...slice, width }) : 'block',
          generated: box !== undefined,
        };
      }),
    [project, page, ids, width, slice, pseudo, fields],
  );
}
