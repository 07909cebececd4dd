import { rootFontSize } from '../cascade/foundation';
import type { Project } from '../document/project';
import type { ReadSelector } from '../read/selector';
import type { SelectorNode } from '../read';
import type { Rule, SheetBlock } from './sheet-block';
import type { StandIn } from './stand-in';

/** Names the reader's text size on `<html>` and 1 below it, for sheets that give `<html>` a size of its own. */
const TEXT_SIZE = '--mp-text-size';

/** The root's text size: the project's, of the reader's own where there is one to stand in for. Below all that pages say. */
export function rootBlock(project: Project, standIn: StandIn | undefined): SheetBlock[] {
  const text = standIn?.text ?? 1;
  const size = rootFontSize(project, text)['font-size'];
  const rule = (key: string, selector: string, lines: readonly string[]): Rule => ({ key, selector, lines });
  const rules = [
    ...(size ? [rule('size', 'html', [`font-size: ${size};`])] : []),
    ...(text === 1
      ? []
      : [
          rule('text', ':where(html)', [`${TEXT_SIZE}: ${text};`]),
          rule('property', `@property ${TEXT_SIZE}`, ["syntax: '<number>';", 'inherits: false;', 'initial-value: 1;']),
        ]),
  ];
  return rules.length > 0 ? [{ key: 'root', ...(project.sheets.length > 0 && { layer: 'foundation' }), rules }] : [];
}

const HTML_NODE: SelectorNode = { tag: 'html', attributes: { lang: 'en' }, parent: null, children: [] };

/** Whether a selector matches `<html>`. */
export const isRoot = (selector: ReadSelector): boolean => selector.matches(HTML_NODE);

/** Sizes relative to what `<html>` begins with follow the reader's there. */
export const scaledSize = (text: string): string => (/^[\d.]+(%|r?em)$/.test(text) ? `calc(${text} * var(${TEXT_SIZE}))` : text);
