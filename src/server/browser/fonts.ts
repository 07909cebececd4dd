import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BundledFont } from '@/core/render';

const PACKAGES: Readonly<Record<string, string>> = {
  'schibsted-grotesk.woff2': '@fontsource-variable/schibsted-grotesk/files/schibsted-grotesk-latin-wght-normal.woff2',
  'spline-sans-mono.woff2': '@fontsource-variable/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2',
};

const bytes = new Map<string, Buffer>();

export function fontBytes(font: BundledFont): Buffer {
  let content = bytes.get(font.file);
  if (!content) {
    content = readFileSync(join(process.cwd(), 'node_modules', PACKAGES[font.file]!));
    bytes.set(font.file, content);
  }
  return content;
}

export function fontData(font: BundledFont): string {
  return `data:font/woff2;base64,${fontBytes(font).toString('base64')}`;
}
