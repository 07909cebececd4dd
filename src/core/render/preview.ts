import type { Page, Project } from '../document/project';
import type { BundledFont } from './fonts';
import { fontsUsed, writeFontFaces } from './fonts';
import { renderElement } from './markup';
import type { Addresses, Block } from './sheet';
import { renderSheet, writeBlock } from './sheet';

/** What a preview frame shows: the export's own HTML and CSS, with elements marked and files put inline. */
export interface Preview {
  readonly fontFaces: string;
  readonly blocks: readonly Block[];
  /** The `<body>` element with all in it. */
  readonly body: string;
}

/** @param fontData a data address for a bundled font */
export function renderPreview(project: Project, page: Page, fontData: (font: BundledFont) => string): Preview {
  const addresses = pictureData(project);
  return {
    fontFaces: writeFontFaces(fontsUsed(project), fontData),
    blocks: renderSheet(project, [page], addresses),
    body: renderElement(project, page, page.root, { addresses, page: () => '#', marked: true }),
  };
}

const pictureAddresses = new WeakMap<Project['pictures'], Addresses>();

function pictureData(project: Project): Addresses {
  let addresses = pictureAddresses.get(project.pictures);
  if (!addresses) {
    const data = new Map(project.pictures.map(({ id, svg }) => [id, `data:image/svg+xml,${encodeURIComponent(svg)}`]));
    addresses = { picture: (id: string) => data.get(id) ?? 'data:,' };
    pictureAddresses.set(project.pictures, addresses);
  }
  return addresses;
}

/**
 * The preview as a whole document. Each block is a `<style>` of its own, so that a frame can exchange one alone.
 * Scrollbars of the frame itself are hidden: the viewport is then as wide as the content, as on a phone.
 */
export function previewDocument(preview: Preview, head: string): string {
  const styles = preview.blocks
    .map((block) => `<style data-mp-block="${block.key}">\n${writeBlock(block)}</style>`)
    .join('\n');
  return `<!doctype html>
<html lang="en" style="scrollbar-width: none">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
${head}
<style data-mp-fonts>
${preview.fontFaces}</style>
${styles}
</head>
${preview.body}</html>
`;
}

/** What a frame must be told to get from one preview to the next: as little as says it. */
export type PreviewPatch =
  | {
      readonly kind: 'rules';
      readonly changes: readonly { readonly block: string; readonly index: number; readonly css: string }[];
    }
  | { readonly kind: 'blocks'; readonly blocks: readonly { readonly key: string; readonly css: string }[] }
  | {
      readonly kind: 'body';
      readonly body: string;
      readonly blocks: readonly { readonly key: string; readonly css: string }[];
    }
  | { readonly kind: 'none' };

export function patchBetween(before: Preview, after: Preview): PreviewPatch {
  const all = () => after.blocks.map((block) => ({ key: block.key, css: writeBlock(block) }));
  if (before.body !== after.body) return { kind: 'body', body: after.body, blocks: all() };
  const sameShape =
    before.blocks.length === after.blocks.length &&
    before.blocks.every((block, i) => {
      const other = after.blocks[i]!;
      return (
        block.key === other.key &&
        block.query === other.query &&
        block.rules.length === other.rules.length &&
        block.rules.every((rule, j) => rule.selector === other.rules[j]!.selector)
      );
    });
  if (!sameShape) return { kind: 'blocks', blocks: all() };
  const changes = after.blocks.flatMap((block, i) =>
    block.rules.flatMap((rule, index) => {
      const css = rule.lines.join(' ');
      return css === before.blocks[i]!.rules[index]!.lines.join(' ') ? [] : [{ block: block.key, index, css }];
    }),
  );
  return changes.length > 0 ? { kind: 'rules', changes } : { kind: 'none' };
}
