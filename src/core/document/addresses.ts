/** An address as browsers read it: without spaces and control characters around it, and without tabs and line breaks (URL, 4.4). */
export const asRead = (address: string): string =>
  address.replace(/^[\u0000-\u0020]+|[\u0000-\u0020]+$/g, '').replace(/[\t\n\r]/g, '');

/**
 * The path in a package that an address names, seen from a folder; undefined where it leads out of the package, or is no
 * address of a file (URL, 4.4). What stands behind `?` and `#` names no other file.
 * @param base a folder such as "docs/", empty for the package itself
 */
export function pathOf(base: string, address: string): string | undefined {
  const [file = ''] = asRead(address).split(/[?#]/, 1);
  if (file === '' || /^[a-z][a-z0-9+.-]*:/i.test(file)) return undefined;
  const written = file.replaceAll('\\', '/');
  if (written.startsWith('//')) return undefined;
  const steps = written.startsWith('/') ? written.slice(1) : base + written;
  const path: string[] = [];
  for (const step of decoded(steps).split('/')) {
    if (step === '.') continue;
    // Nothing between two `/` is a step, too, and is what `..` takes back.
    if (step !== '..') path.push(step);
    else if (path.pop() === undefined) return undefined;
  }
  const named = path.filter((step) => step !== '');
  return named.length > 0 ? named.join('/') : undefined;
}

/** The folder of a path, with its `/`; empty at the top. */
export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

/** Percent-encoded bytes as the characters that they stand for, and what stands for none as it is (URL, 1.3). */
const decoded = (text: string): string =>
  text.replace(/(?:%[0-9a-f]{2})+/gi, (bytes) => {
    try {
      return decodeURIComponent(bytes);
    } catch {
      return bytes;
    }
  });

/** Whether an address stands by itself, and names something outside of any package. */
export const isOutside = (address: string): boolean =>
  /^(?:(?!data:|blob:|about:)[a-z][a-z0-9+.-]*:|[\\/]{2})/i.test(asRead(address));
