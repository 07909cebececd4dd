import type { Scrollbar } from '@/core/devices';
import type { BundledFont, Preview } from '@/core/render';
import { previewDocument } from '@/core/render';
import { ALTERNATES_SCRIPT, PANELS_SCRIPT } from '@/core/behaviour';
import type { FrameParts } from '../requests/requests';

export const fontFrom = (parts: FrameParts) => (font: BundledFont) => parts.fonts[font.file] ?? 'data:,';

/**
 * The whole document of a preview frame. Its policy allows the probe by a nonce and nothing from any network, so that
 * page content can neither run scripts nor call out; the frame itself has an origin of its own (`sandbox`).
 */
export function frameDocument(preview: Preview, parts: FrameParts, scrollbar: Scrollbar = 'overlay', use = false): string {
  // The frame takes over the page's policy, so the probe must pass both.
  const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? crypto.randomUUID();
  const policy = `default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; script-src 'nonce-${nonce}'`;
  const html = previewDocument(preview, `<meta http-equiv="Content-Security-Policy" content="${policy}">`, scrollbar);
  const script = (text: string, attribute = '') =>
    `<script nonce="${nonce}"${attribute}>${text.replace(/<\/script/gi, '<\\/script')}</script>\n`;
  // What pages run themselves runs where they are used: the same as in what is handed over.
  const probe = script(parts.script, use ? ' data-mp-use' : '') + (use ? script(`${PANELS_SCRIPT}${ALTERNATES_SCRIPT}`) : '');
  // After the body, so that everything the probe asks for is there and the page's own markup stays untouched.
  return html.replace(/<\/html>\s*$/, () => `${probe}</html>\n`);
}
