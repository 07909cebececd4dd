import { Held } from '@/core/audit/codes';
import type { TextGatherer } from './gather-text';
import { isBlank } from './gather-text';
import { holdsPlaced } from './holds-placed';
import type { ReadElement } from './style-facts';

/** What an element that is taken out of the flow holds on to, and how: the body where that is the window's page, itself where that is the window. */
export function heldBy(
  i: number,
  elements: readonly ReadElement[],
  nodes: readonly HTMLElement[],
  gatherer: TextGatherer,
): [element: number, by: number] {
  const specified = nodes[i]!.computedStyleMap();
  const isAuto = (side: string) => String(specified.get(side)) === 'auto';
  if (isAuto('top') && isAuto('bottom')) return whereItStands(i, elements, nodes, gatherer);
  const style = gatherer.of(nodes[i]!);
  if (style.position === 'fixed') return [i, Held.top];
  let at = elements[i]!.parent;
  const holds = (one: number) => gatherer.of(nodes[one]!).position !== 'static' || holdsPlaced(gatherer.of(nodes[one]!));
  while (at > 0 && !holds(at)) at = elements[at]!.parent;
  return [Math.max(0, at), isAuto('top') && at >= 0 && holds(at) ? Held.bottom : Held.top];
}

/** It lies where it would stand in the flow (CSS 2.2, 10.6.4): behind words on the last line, where nothing follows. */
function whereItStands(
  i: number,
  elements: readonly ReadElement[],
  nodes: readonly HTMLElement[],
  gatherer: TextGatherer,
): [element: number, by: number] {
  const isEmpty = (node: Node | null): boolean =>
    node === null || isBlank(node) || gatherer.standing(node) === 'out' || node.nodeType > 3;
  let around = elements[i]!.parent;
  let isFirst = true;
  for (let node: Node = nodes[i]!; ; node = nodes[around]!, around = elements[around]!.parent) {
    for (let before = node.previousSibling; before; before = before.previousSibling) isFirst &&= isEmpty(before);
    if (around <= 0 || gatherer.of(nodes[around]!).display !== 'inline') break;
  }
  return [Math.max(0, around), isFirst ? Held.top : Held.below];
}
