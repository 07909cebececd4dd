import type { Scrollbar } from '../devices/device';
import { CLASSIC_SCROLLBAR } from '../devices/device';
import { htmlAttributes } from '../document/page-fields';
import { pathOf } from '../document/addresses';
import { doctypeOf } from '../document/brought';
import type { PhotoFacts } from '../document/photo';
import type { Page, Project } from '../document/project';
import { fileData } from './file-data';
import type { BundledFont } from './fonts';
import { fontsUsed, writeFontFaces } from './fonts';
import type { MarkupOptions } from './markup';
import { attributesText, renderElement } from './markup';
import { sameJson } from '../text';
import type { Addresses } from './sheet-options';
import { HELD_ATTRIBUTE } from '../audit/codes';
import { renderSheet } from './sheet';
import type { Rule, SheetBlock } from './sheet-block';
import { writeBlock } from './sheet-block';
import type { StandIn } from './stand-in';

/** What a preview frame shows: the export's own HTML and CSS, with elements marked and files put inline. */
export interface Preview {
  /** The document type, which decides how browsers lay out. */
  readonly doctype: string;
  /** The attributes of `<html>`. */
  readonly html: Readonly<Record<string, string>>;
  readonly fontFaces: string;
  readonly blocks: readonly SheetBlock[];
  /** The `<body>` element with all in it, written when somebody asks. */
  readonly body: () => string;
}

/**
 * @param fontData a data address for a bundled font
 * @param standIn the device and reader to show it for, where the browser has others
 */
export function renderPreview(project: Project, page: Page, fontData: (font: BundledFont) => string, standIn?: StandIn): Preview {
  const addresses = addressesFor(project, page);
  return {
    doctype: doctypeOf(page),
    html: htmlAttributes(project, page),
    fontFaces: writeFontFaces(fontsUsed(project), {
      bundled: fontData,
      added: ({ hash, type }) => ({ address: fileData(hash) ?? 'data:,', type }),
    }),
    blocks: renderSheet(project, [page], { addresses, standIn, held: true, shows: true }),
    body: lazily(() => renderElement(project, page, page.root, markupOptions(project, page))),
  };
}

/** How the elements of a preview are written. */
export const markupOptions = (project: Project, page: Page): MarkupOptions => ({
  ...{ addresses: addressesFor(project, page), page: () => '#', marked: true, inert: true },
});

/** Worked out once, when first asked for. */
export function lazily<T>(make: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: make() }).value;
}

const pictureAddresses = new WeakMap<Project['pictures'], Addresses>();

const pageAddresses = new WeakMap<Project['files'], Map<string, Addresses>>();

/** Addresses for what a page shows: pictures of the project as data, files that came with it as far as they are known. */
export function addressesFor(project: Project, page: Page): Addresses {
  const { brought } = page;
  if (!brought) return pictureData(project);
  let known = pageAddresses.get(project.files);
  if (!known) pageAddresses.set(project.files, (known = new Map()));
  let addresses = known.get(brought.base);
  if (!addresses) {
    const byPath = new Map(project.files.map(({ path, hash }) => [path, hash]));
    const file = (address: string, base = brought.base) => fileData(byPath.get(pathOf(base, address) ?? '') ?? '');
    known.set(brought.base, (addresses = { picture: (id) => pictureData(project).picture(id), file }));
  }
  return addresses;
}

/** A picture made of pixels as frames show it: less of it than is handed over, drawn as large as it is. */
function standInFor({ width, height, small }: PhotoFacts): string | undefined {
  const data = fileData(small);
  return (
    data &&
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><image href="${data}" width="${width}" height="${height}" preserveAspectRatio="none"/></svg>`
  );
}

/** Addresses of a project's pictures as data, the same object for the same pictures. */
export function pictureData(project: Project): Addresses {
  let addresses = pictureAddresses.get(project.pictures);
  if (!addresses) {
    const byId = new Map(project.pictures.map((picture) => [picture.id, picture]));
    const data = new Map<string, string>();
    addresses = {
      picture(id: string) {
        const known = data.get(id);
        if (known !== undefined) return known;
        const picture = byId.get(id);
        const svg = picture && (picture.photo ? standInFor(picture.photo) : picture.svg);
        // What isn't there yet may come.
        if (svg === undefined) return 'data:,';
        const address = `data:image/svg+xml,${encodeURIComponent(svg)}`;
        data.set(id, address);
        return address;
      },
    };
    pictureAddresses.set(project.pictures, addresses);
  }
  return addresses;
}

/**
 * Scrollbars as a device has them, whatever the browser around the frame has: those laid over the page take no room,
 * so they are left out; classic ones always take the same room, and only where there is something to scroll.
 */
const SCROLLBAR_STYLE: Readonly<Record<Scrollbar, string>> = {
  // The weakest of all layers: a page that says something of its own keeps it.
  overlay: '@layer device { * { scrollbar-width: none; } }',
  classic: `::-webkit-scrollbar { width: ${CLASSIC_SCROLLBAR}px; height: ${CLASSIC_SCROLLBAR}px; background: #efefec; }
::-webkit-scrollbar-thumb { background: #b5b8b2; border: 3px solid #efefec; border-radius: 8px; }
::-webkit-scrollbar-corner { background: #efefec; }`,
};

/**
 * The preview as a whole document. Each block is a `<style>` of its own, so that a frame can exchange one alone.
 * @param scrollbar as the device has them; overlay where nobody says otherwise: the viewport is then as wide as the
 * content, as on a phone
 */
export function previewDocument(preview: Preview, head: string, scrollbar: Scrollbar = 'overlay'): string {
  const styles = preview.blocks.map((block) => `<style data-mp-block="${block.key}">\n${writeBlock(block)}</style>`).join('\n');
  return `${preview.doctype}
<html${attributesText(preview.html)}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
${head}
${deviceStyle(scrollbar)}
<style data-mp-fonts>
${preview.fontFaces}</style>
${styles}
</head>
${preview.body()}</html>
`;
}

/** What a device and its browser do by themselves, as a style element. */
export const deviceStyle = (scrollbar: Scrollbar = 'overlay'): string =>
  `<style data-mp-device>\n${SCROLLBAR_STYLE[scrollbar]}\n${HELD_STYLE}\n</style>`;

/** What browsers make of what is focused or pressed, of what is only held. The weakest of all layers. */
const HELD_STYLE = `@layer device {
  :not(body, iframe, embed, object)[${HELD_ATTRIBUTE}~="focus-visible"] { outline: auto 1px -webkit-focus-ring-color; }
  svg[${HELD_ATTRIBUTE}~="focus-visible"] { outline-width: 5px; }
  :any-link[${HELD_ATTRIBUTE}~="focus-visible"] { outline-offset: 1px; }
  :is([type="checkbox"], [type="radio"])[${HELD_ATTRIBUTE}~="focus-visible"] { outline-offset: 2px; }
  :any-link[${HELD_ATTRIBUTE}~="active"] { color: -webkit-activelink; }
  :is(button, [type="button"], [type="submit"], [type="reset"])[${HELD_ATTRIBUTE}~="active"] { border-style: inset; }
}`;

/** One `<style>` of a frame in its place; without `css` it stays as it is. */
export interface BlockPatch {
  readonly key: string;
  readonly css?: string;
}

/** What a frame must be told to get from one preview to the next: as little as says it. */
export type PreviewPatch = (
  | { readonly kind: 'rules'; readonly changes: readonly RuleChange[] }
  | { readonly kind: 'blocks'; readonly blocks: readonly BlockPatch[] }
  | { readonly kind: 'body'; readonly body: string; readonly blocks: readonly BlockPatch[] }
  | { readonly kind: 'insides'; readonly insides: readonly { readonly id: string; readonly html: string }[] }
  | { readonly kind: 'head' }
  | { readonly kind: 'none' }
) & {
  /** All font faces, where they aren't those from before. */
  readonly fonts?: string;
  /** The attributes of `<html>`, where they aren't those from before. */
  readonly html?: Preview['html'];
};

export interface RuleChange {
  readonly block: string;
  readonly index: number;
  readonly css: string;
}

const linesOf = (rule: Rule) => rule.lines.join(' ');

/** Whether two blocks differ at most in what their rules say, not in which rules there are. */
function sameShape(a: SheetBlock, b: SheetBlock | undefined): boolean {
  return (
    a.key === b?.key &&
    a.query === b.query &&
    a.within?.join() === b.within?.join() &&
    a.layer === b.layer &&
    a.raw === b.raw &&
    a.rules.length === b.rules.length &&
    a.rules.every((rule, i) => rule.selector === b.rules[i]!.selector)
  );
}

function sameRules(a: SheetBlock, b: SheetBlock | undefined): boolean {
  return (
    sameShape(a, b) && a.rules.every((rule, i) => rule.lines === b!.rules[i]!.lines || linesOf(rule) === linesOf(b!.rules[i]!))
  );
}

export function patchBetween(before: Preview, after: Preview): PreviewPatch {
  const patch = contentPatch(before, after);
  const fonts = before.fontFaces === after.fontFaces ? undefined : after.fontFaces;
  const html = sameJson(before.html, after.html) ? undefined : after.html;
  if (fonts === undefined && html === undefined) return patch;
  return {
    ...(patch.kind === 'none' ? { kind: 'head' as const } : patch),
    ...(fonts !== undefined && { fonts }),
    ...(html && { html }),
  };
}

function contentPatch(before: Preview, after: Preview): PreviewPatch {
  const old = new Map(before.blocks.map((block) => [block.key, block]));
  const blocks = () =>
    after.blocks.map((block): BlockPatch =>
      sameRules(block, old.get(block.key)) ? { key: block.key } : { key: block.key, css: writeBlock(block) },
    );
  if (before.body() !== after.body()) return { kind: 'body', body: after.body(), blocks: blocks() };
  if (before.blocks.length !== after.blocks.length || !before.blocks.every((block, i) => sameShape(block, after.blocks[i])))
    return { kind: 'blocks', blocks: blocks() };
  const changes = after.blocks.flatMap((block, i) =>
    block.rules.flatMap((rule, index): RuleChange[] => {
      const was = before.blocks[i]!.rules[index]!;
      return rule.lines === was.lines || linesOf(rule) === linesOf(was) ? [] : [{ block: block.key, index, css: linesOf(rule) }];
    }),
  );
  return changes.length > 0 ? { kind: 'rules', changes } : { kind: 'none' };
}
