import { keptAttributes, LEFT_OUT } from './kept-attributes';

function kept(tag: string, attributes: Readonly<Record<string, string>>) {
  const left: string[] = [];
  const list = Object.entries(attributes).map(([name, value]) => ({ name, value }));
  return { is: keptAttributes(tag, list, (reason, what) => left.push(`${reason}: ${what}`)), left };
}

const PIXEL = 'url("data:image/gif;base64,R0lGODlhAQABAAAAACw=")';

test('of a style attribute only the declarations go that would fetch from elsewhere', () => {
  const style = (text: string) => kept('p', { style: text });
  expect(style('color: red; background: url(a.png)')).toEqual({ is: { style: 'color: red; background: url(a.png)' }, left: [] });
  // What stands in brackets and quotes ends no declaration.
  expect(style(`background: ${PIXEL}, url(http://other.test/a.png); color: red; content: "a\\";b"`)).toEqual({
    is: { style: 'color: red;content: "a\\";b"' },
    left: [`address: background: ${PIXEL}, url(http://other.test/a.png)`],
  });
  for (const text of ['image-set("a.png" 1x, "//other.test/b.png" 2x)', 'image-set(url(a.png) 1x, url( "https:b") 2x)'])
    expect(style(`color: red;background: ${text}`)).toEqual({
      is: { style: 'color: red' },
      left: [`address: background: ${text}`],
    });
  // Nor does a long one take for ever.
  for (const begin of ['url(', 'image(', 'image-set("', 'image("a" '])
    expect(style(`background: ${begin}${' '.repeat(20_000)}`).left).toEqual([]);
  for (const text of [`background: image-set(${PIXEL} 1x, "b.png" 2x)`, 'content: "Note: //"', 'font-family: "a:b"'])
    expect(style(text)).toEqual({ is: { style: text }, left: [] });
});

test('what runs is left out, what leads away leads nowhere, what would be fetched is a file that isn’t there', () => {
  expect(kept('a', { href: ' java\nscript:x()', onclick: 'x()', title: 'A' })).toEqual({
    is: { href: '#', title: 'A' },
    left: ['address:  java\nscript:x()', 'event: onclick of <a>'],
  });
  expect(kept('img', { src: '\t//other.test/a.png', alt: '' }).is).toEqual({ src: LEFT_OUT, alt: '' });
  // A no-break space begins the name of a file.
  expect(kept('img', { src: '\u00a0a.png' }).is).toEqual({ src: '\u00a0a.png' });
  expect(kept('form', { action: '/search', method: 'get' })).toEqual({ is: { method: 'get' }, left: ['form: action="/search"'] });
});
