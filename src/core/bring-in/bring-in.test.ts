import { kept, newProject, readProject } from '../document';
import type { PageElement, Project } from '../document';
import { makeEdit } from '../edits';
import { previewDocument, renderPreview } from '../render';
import { bringIn, bringInEdit } from './index';
import type { PackageFile } from './index';
import { hashForTests } from './hash-for-tests';

const empty = newProject('00000000-0000-4000-8000-000000000000', 'Brought in');
const given = (files: Readonly<Record<string, string | Uint8Array>>): PackageFile[] =>
  Object.entries(files).map(([path, content]) => ({
    path,
    bytes: typeof content === 'string' ? new TextEncoder().encode(content) : content,
  }));
const bring = (files: Readonly<Record<string, string | Uint8Array>>, project: Project = empty) =>
  bringIn(given(files), { project, hash: hashForTests, key: 'k' });
const pageOf = (html: string | Uint8Array) => bring({ 'index.html': html }).pages[0]!;
const byTag = (elements: Readonly<Record<string, PageElement>>, tag: string) =>
  Object.values(elements).find((one) => one.tag === tag)!;
/** What is left out of a page, by why. */
const leftOut = (files: Readonly<Record<string, string>>) =>
  bring(files).leftOut.map(({ reason, what, line }) => [reason, what, line] as const);

const PNG = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);

test('a page comes in with its sheets in order, what they import, and the files that it shows', () => {
  const { pages, sheets, files, leftOut } = bring({
    'site/index.html':
      '<!doctype html><html lang="de" class="no"><head><title> Boats </title><link rel=stylesheet href="css/a.css?v=2" media="screen">' +
      '<style media="(width < 500px)">p { color: red }</style></head><body><p>Hi</p><img src="img/x.png" srcset="img/x.png 1x, img/y.png 2x"></body></html>',
    'site/css/a.css': '@import url("b.css") layer(base) (width > 10px); p { background: url(../img/x.png) }',
    'site/css/b.css': 'p { margin: 0 }',
    'site/img/x.png': PNG,
    'site/img/y.png': PNG,
    'site/readme.txt': 'Read me',
  });
  expect(pages[0]).toMatchObject({ name: 'Boats', slug: 'index-2', language: 'de' });
  expect(pages[0]!.brought).toMatchObject({ file: 'site/index.html', mode: 'no-quirks', base: 'site/', html: { class: 'no' } });
  expect(pages[0]!.brought!.sheets).toEqual([
    { sheet: sheets.find(({ file }) => file === 'site/css/a.css')!.id, media: 'screen' },
    { sheet: sheets.find(({ line }) => line === 1)!.id, media: '(width < 500px)' },
  ]);
  expect(sheets.map(({ file }) => file)).toEqual(['site/css/a.css', 'site/css/b.css', 'site/index.html']);
  expect(files.map(({ path, type }) => [path, type])).toEqual([
    ['site/img/x.png', 'image/png'],
    ['site/img/y.png', 'image/png'],
  ]);
  expect(leftOut).toEqual([{ reason: 'file', file: 'site/readme.txt', what: 'site/readme.txt' }]);
});

test('what runs, fetches or sends is left out and listed with its line', () => {
  expect(
    leftOut({
      'index.html':
        '<!doctype html><script src="a.js"></script>\n<body onload="go()"><a href=" javascript:go()">x</a>\n<img src="https://far.example/p.png">' +
        '<form action="/send"></form>\n<div style="background: url(//far.example/b.png); color: red">x</div><img src="gone.png">',
    }),
  ).toEqual([
    ['script', 'a.js', 1],
    ['event', 'onload of <body>', 2],
    ['script', ' javascript:go()', 2],
    ['address', 'https://far.example/p.png', 3],
    ['form', 'action="/send"', 3],
    ['address', 'background: url(//far.example/b.png)', 4],
    ['missing', 'gone.png', undefined],
  ]);
  const page = pageOf(
    '<a href="javascript:1">x</a><div style="background: url(//a.b/c); color: red">x</div><img src="http://a.b/c.png">',
  );
  expect(byTag(page.elements, 'a').attributes).toEqual({ href: '#' });
  expect(byTag(page.elements, 'div').attributes.style).toBe('color: red');
  expect(byTag(page.elements, 'img').attributes.src).toBe('left-out');
});

test('scripts and sheets in the body keep their place, since selectors count them, and hold nothing', () => {
  const page = pageOf(
    '<!doctype html><body><script>document.write("<b>")</script><p>x</p><style>p { color: red }</style></body>',
  );
  const tags = Object.values(page.elements).map(({ tag, children }) => [tag, children.length]);
  expect(tags).toEqual([
    // With a word that says that nothing stands between them.
    ['body', 4],
    ['script', 0],
    ['p', 1],
    ['style', 0],
  ]);
  const { document } = makeEdit(empty, bringInEdit(bring({ 'index.html': '<p>x</p><script>run()</script>' })));
  const html = previewDocument(
    renderPreview(document, document.pages[1]!, () => ''),
    '',
  );
  expect(html).toContain('type="text/plain"');
  expect(html).not.toContain('run()');
});

test('white space, quirks and presentational attributes are as they were', () => {
  const page = pageOf('<body bgcolor=red>\n<table border=1>\n<tr>\n<td>a</table><center>b</center> <i>c</i><i>d</i></body>');
  expect(page.brought!.mode).toBe('quirks');
  expect(byTag(page.elements, 'body').attributes).toEqual({ bgcolor: 'red' });
  expect(byTag(page.elements, 'table').children[0]).toEqual({ text: '\n' });
  // Where nothing closes it, a paragraph holds the table in quirks mode alone.
  const inside = (html: string) => pageOf(html).elements['ek0x2']?.tag;
  expect([inside('<p><table><tr><td>x</table>'), inside('<!doctype html><p><table><tr><td>x</table>')]).toEqual([
    'table',
    'table',
  ]);
  expect(pageOf('<p><table><tr><td>x</table>').elements['ek0x1']!.children[0]).toBe('ek0x2');
  const { document } = makeEdit(empty, bringInEdit(bring({ 'index.html': '<b>a</b><b>c</b>' })));
  expect(
    previewDocument(
      renderPreview(document, document.pages[1]!, () => ''),
      '',
    ),
  ).toMatch(/<body[^>]*><b[^>]*>a<\/b><b[^>]*>c<\/b><\/body>/);
});

const UTF16 = new Uint8Array([0xff, 0xfe, ...[...'<p>grün'].flatMap((one) => [one.charCodeAt(0), 0])]);
test.each<[string, Uint8Array, string]>([
  ['UTF-16 with a mark', UTF16, 'grün'],
  ['UTF-16 without', UTF16.slice(2), 'grün'],
  ['windows-1252, declared', Buffer.from('<meta charset="windows-1252"><p>\x93gr\xfcn\x94', 'latin1'), '“grün”'],
  ['windows-1252, not declared', Buffer.from('<p>\x93gr\xfcn\x94', 'latin1'), '“grün”'],
  ['UTF-8, not declared', Buffer.from('<p>“grün”'), '“grün”'],
  ['UTF-16, declared in a file that can be read', Buffer.from('<meta charset="utf-16"><p>grün'), 'grün'],
  ['an encoding that nobody knows', Buffer.from('<meta charset="made-up"><p>grün'), 'grün'],
])('%s is read', (_, bytes, words) => {
  expect(byTag(pageOf(bytes).elements, 'p').children).toEqual([{ text: words }]);
});

test.each<[string, string, RegExp]>([
  ['frames', '<!doctype html><frameset><frame src="a.html"></frameset>', /page of frames/],
  ['too many elements', '<i></i>'.repeat(5_000), /5001 elements; a page here has at most 5000/],
  ['depth', '<div>'.repeat(400), /nested deeper than 120/],
])('%s: the page is refused with the reason, others come in', (_, html, why) => {
  const { pages, refused } = bring({ 'bad.html': html, 'good.html': '<p>Good</p>' });
  expect(pages.map(({ slug }) => slug)).toEqual(['good']);
  expect(refused).toEqual([{ file: 'bad.html', why: expect.stringMatching(why) as string }]);
});

test.each([
  ['cut off in a tag', '<p>One<p class="a'],
  ['cut off in a comment', '<p>One<!-- and'],
  ['nothing closed', '<ul><li>One<li><b>Two<p>Three'],
  ['links and blocks in each other', '<a href=#>1<p>2<a href=#>3</p><table>4<tr>5<td>6<p>7</table>8'],
  ['an unclosed style sheet', '<style>p { color: red'],
  ['nothing at all', ''],
  ['NUL and lone surrogates', '<p title="\u0000">\u0000a\u0000</p>'],
])('%s is read as browsers do, and the document is in order', (_, html) => {
  const { document } = makeEdit(empty, bringInEdit(bring({ 'index.html': html })));
  expect(readProject(JSON.parse(JSON.stringify(kept(document))))).toEqual(document);
});

test('two packages with the same paths stand beside each other; both leave with one undo each', () => {
  const files = { 'index.html': '<link rel=stylesheet href=a.css><img src=x.png>', 'a.css': 'p { color: red }', 'x.png': PNG };
  const once = makeEdit(empty, bringInEdit(bring(files)));
  const second = bringIn(given(files), { project: once.document, hash: hashForTests, key: 'm' });
  const twice = makeEdit(once.document, bringInEdit(second));
  expect(twice.document.pages.map(({ slug, brought }) => [slug, brought?.file])).toEqual([
    ['index', undefined],
    ['index-2', 'index.html'],
    ['index-3', '2/index.html'],
  ]);
  expect(twice.document.files.map(({ path }) => path)).toEqual(['2/x.png', 'x.png']);
  expect(makeEdit(makeEdit(twice.document, twice.inverse).document, once.inverse).document).toEqual(empty);
});

test.each(['<div>', '<b>', '<svg><g>', '<table><tr><td>'])('%s nested by thousands is refused, or left out', (piece) => {
  const { pages, refused } = bring({ 'index.html': `<!doctype html>${piece.repeat(5_000)}x` });
  expect(refused.map(({ why }) => why).join() || pages[0]!.brought!.leftOut.map(({ what }) => what).join()).toMatch(/nested/);
});
