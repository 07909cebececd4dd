import { inksFor } from './colour-recipes';
import { pseudoOfCheck } from './pseudo-of-check';
import type { Recipe, Situation } from './situation';
import type { PageElement } from '../document/element';
import { ancestorsOf } from '../document/tree';

/** Those that look otherwise in the state of a check, from the element outwards; it alone where nobody does. */
function speakers({ page, project, finding }: Situation): string[] {
  const pseudo = pseudoOfCheck(finding.check);
  const speaks = ({ id, shared }: PageElement) =>
    [page.elements[id]!, ...project.shared.filter((style) => shared.includes(style.id))].some(
      (one) => one.pseudo?.[pseudo] !== undefined,
    );
  const around = [page.elements[finding.element]!, ...ancestorsOf(page, finding.element)].filter(speaks);
  return around.length > 0 ? around.map(({ id }) => id) : [finding.element];
}

/** Another colour, or the least size, in the state in which it is worse. */
export function worseInState(situation: Situation): Recipe[] {
  const pseudo = pseudoOfCheck(situation.finding.check);
  const { measured } = situation.finding.worst.violation;
  if (measured.width !== undefined && measured.height !== undefined) {
    const least = `${measured.least ?? 24}px`;
    const owner = situation.finding.element + pseudo;
    return [
      {
        title: `${situation.name(situation.finding.element)} at least ${least} then`,
        values: [
          [owner, 'min-width', least],
          [owner, 'min-height', least],
        ],
      },
    ];
  }
  return speakers(situation).flatMap((id): Recipe[] => [
    ...inksFor(situation).map((colour): Recipe => ({
      title: `Text of ${situation.name(id)} in ${colour} then`,
      values: [[id + pseudo, 'color', colour]],
    })),
    {
      title: `Background of ${situation.name(id)} then as at rest`,
      values: [[id + pseudo, 'background-color', situation.value(id, 'background-color')]],
    },
  ]);
}

/** A line around what has the focus. */
export function lineOfFocus({ finding: { element }, name }: Situation): Recipe[] {
  return ['currentcolor', '#000000', '#ffffff'].map((colour) => ({
    title: `A line of 2 px around ${name(element)} with the focus, in ${colour === 'currentcolor' ? 'the colour of its text' : colour}`,
    values: Object.entries({
      'outline-width': '2px',
      'outline-style': 'solid',
      'outline-color': colour,
      'outline-offset': '2px',
    }).map(([property, value]) => [`${element}:focus-visible`, property, value] as const),
  }));
}
