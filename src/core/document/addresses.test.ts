import fc from 'fast-check';
import { asRead, isOutside, pathOf } from './addresses';

/* Against this platform's reader of addresses, which follows the standard (URL, 4.4). */

const pieces = fc.constantFrom(
  ...['http:', 'HTTPS:', 'data:', 'javascript:', 'mailto:', 'blob:', 'about:', 'c:', ':', '1:'],
  ...['//', '\\\\', '/\\', '/', '..', '../', './', '.', '%2e', '%2E%2e/', 'a', 'b.png', '%20', '%zz', 'é', '@', 'host.test'],
  ...[' ', '\t', '\n', '\r', '\u0001', '\u001f', '\u00a0', '?', '#', '&', '{', '|'],
);
const addresses = fc.array(pieces, { minLength: 1, maxLength: 6 }).map((list) => list.join(''));

/** A folder of a package so deep that nothing leads out of what is around it. */
const AROUND = '/1/2/3/4/5/6/';
const parsed = (address: string, at: string): URL | undefined => {
  try {
    return new URL(address, `ftp://package.test${at}`);
  } catch {
    return undefined;
  }
};

test('what leads to another place stands by itself, however it is written', () => {
  fc.assert(
    fc.property(addresses, (address) => {
      const url = parsed(address, AROUND);
      fc.pre(url !== undefined);
      const isNear = url!.host === 'package.test' || /^(data|blob|about):$/.test(url!.protocol);
      expect([address, isOutside(address)]).toEqual([address, !isNear]);
    }),
    { numRuns: 3_000 },
  );
});

test('the file that an address names is the one that it leads to', () => {
  fc.assert(
    fc.property(addresses, (address) => {
      const url = parsed(address, `${AROUND}docs/`);
      fc.pre(url !== undefined);
      const path = pathOf('docs/', address);
      const isNamed = /^[^?#]/.test(asRead(address));
      if (url!.host !== 'package.test' || !isNamed) return expect([address, path]).toEqual([address, undefined]);
      // The top of the package is as deep as it is, too.
      const fromTop = /^[/\\]/.test(asRead(address));
      const { pathname } = fromTop ? parsed(AROUND.slice(0, -1) + asRead(address), '/')! : url!;
      const names = pathname.startsWith(AROUND) ? pathname.slice(AROUND.length).split('/').filter(Boolean) : [];
      const whole = decodeURIComponent(names.join('/').replaceAll('%zz', '%25zz'));
      expect([address, path ?? '']).toEqual([address, whole]);
    }),
    { numRuns: 3_000 },
  );
});
