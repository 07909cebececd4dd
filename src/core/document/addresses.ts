/**
 * The path in a package that an address names, seen from a folder; undefined where it leads out of the package, or is no
 * address of a file (URL, 4.4). What stands behind `?` and `#` names no other file.
 * @param base a folder such as "docs/", empty for the package itself
 */
export function pathOf(base: string, address: string): string | undefined {
  const plain = address.replace(/^[\u0000-\u0020]+|[\u0000-\u0020]+$/g, '').replace(/[\t\n\r]/g, '');
  const [file = ''] = plain.split(/[?#]/, 1);
  if (file === '' || /^[a-z][a-z0-9+.-]*:/i.test(file)) return undefined;
  const written = file.replaceAll('\\', '/');
  if (written.startsWith('//')) return undefined;
  const steps = written.startsWith('/') ? written.slice(1) : base + written;
  const path: string[] = [];
  for (const step of decoded(steps).split('/')) {
    if (step === '' || step === '.') continue;
    if (step !== '..') path.push(step);
    else if (path.pop() === undefined) return undefined;
  }
  return path.length > 0 ? path.join('/') : undefined;
}

/** The folder of a path, with its `/`; empty at the top. */
export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** Whether an address stands by itself, and names something outside of any package. */
export const isOutside = (address: string): boolean => /^\s*(?:(?!data:|blob:|about:)[a-z][a-z0-9+.-]*:|[\\/]{2})/i.test(address);
