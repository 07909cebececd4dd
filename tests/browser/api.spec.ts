import { ownText } from '@/core/document';
import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import type { PackedResults } from '@/core/audit';
import { unpacked } from '@/core/audit';
import type { Edit } from '@/core/edits';
import { createProject, elementNamed, readProject } from './workbench';

const edit = (value: Edit | Record<string, unknown>, revision = 0) => ({
  revision,
  edits: [{ id: randomUUID(), kind: 'do', edit: value }],
});
const nobody = '00000000-0000-4000-8000-000000000000';

test('malformed requests to every route get a sentence and change nothing', async ({ request }) => {
  const id = await createProject(request, 'demo');
  const before = await readProject(request, id);
  const routes: readonly (readonly [string, 'post' | 'patch'])[] = [
    ['/api/projects', 'post'],
    [`/api/projects/${id}`, 'patch'],
    [`/api/projects/${id}/edits`, 'post'],
    [`/api/projects/${id}/sweep`, 'post'],
    [`/api/projects/${id}/pictures`, 'post'],
    [`/api/projects/${id}/compare`, 'post'],
    [`/api/projects/${id}/sheet`, 'post'],
  ];
  for (const [path, method] of routes)
    for (const data of ['{', '[]', 'null', '"x"', '{"a":1}', '']) {
      const answer = await request[method](path, { data: Buffer.from(data), headers: { 'content-type': 'application/json' } });
      expect([path, data, answer.status() >= 400 && answer.status() < 500]).toEqual([path, data, true]);
      expect(((await answer.json()) as { error: string }).error).toMatch(/\w{3,}/);
    }
  const plain = await request.post('/api/projects', { data: 'name=x', headers: { 'content-type': 'text/plain' } });
  expect(plain.status()).toBe(415);
  for (const path of [
    `/api/projects/${nobody}`,
    '/api/projects/nonsense',
    `/api/projects/${nobody}/export`,
    `/api/projects/${nobody}/revisions`,
    `/api/projects/${id}/revisions/99`,
    `/api/projects/${id}/revisions/x`,
    '/api/pictures/nonsense',
    `/api/pictures/${'0'.repeat(40)}`,
  ])
    expect((await request.get(path)).status()).toBe(404);
  expect((await request.delete(`/api/projects/${nobody}`)).status()).toBe(404);
  expect((await request.post(`/api/projects/${nobody}/restore`)).status()).toBe(404);
  expect(await readProject(request, id)).toEqual(before);
});

test('edits that can not be are refused in words, each by itself', async ({ request }) => {
  const id = await createProject(request, 'demo');
  const before = await readProject(request, id);
  const node = elementNamed(before.project, 'Notice').id;
  const refused: readonly (readonly [Record<string, unknown>, RegExp])[] = [
    [{ type: 'setStyle', owner: node, at: 'base', property: 'colour', value: 'red' }, /isn't a property/],
    [{ type: 'setStyle', owner: node, at: 'base', property: 'width', value: 'red' }, /isn't a value that width/],
    [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: { below: 0 } } }, /under 40 px/],
    [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: { from: 99999 } } }, /over 10000 px/],
    [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: {} } }, /needs a condition/],
    [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: { from: 900, below: 800 } } }, /smaller width/],
    [{ type: 'changeBreakpoint', id: 'bnarrow', also: ['bnarrow'] }, /from itself/],
    [{ type: 'restyle', label: 'x', changes: [{ owner: node, at: 'bgone', property: 'width', value: '1px' }] }, /removed/],
    [{ type: 'addSheet', sheet: { id: 'tx', name: 'X', css: '@import url(x)' } }, /no rule/],
    [
      { type: 'addPicture', picture: { id: 'px', fileName: 'x.svg', svg: '<svg><x:script>a()</x:script></svg>' } },
      /may not hold <x:script>/,
    ],
    [{ type: 'carryShared', node, shared: ['snone'] }, /removed/],
    [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: ' ', condition: { below: 700 } } }, /needs a name/],
    [{ type: 'renameElement', node, name: '' }, /can't be empty/],
    [{ type: 'setText', node, text: 'x'.repeat(300_000) }, /at most 200000 characters/],
    [{ type: 'setStyle', owner: 'egone', at: 'base', property: 'width', value: '1px' }, /has been removed/],
    [
      {
        type: 'insertElement',
        page: 'gfront',
        parent: before.project.pages[0]!.root,
        index: 0,
        elements: [{ id: 'ex', tag: 'script', name: 'X', attributes: {}, children: [], shared: [], styles: {} }],
      },
      /isn't an element/,
    ],
    [{ type: 'unheard' }, /./],
  ];
  for (const [bad, words] of refused) {
    const answer = await request.post(`/api/projects/${id}/edits`, { data: edit(bad) });
    expect([bad.type, answer.status()]).toEqual([bad.type, 422]);
    expect(((await answer.json()) as { error: string }).error).toMatch(words);
  }
  const huge = await request.post(`/api/projects/${id}/edits`, {
    data: edit({ type: 'setText', node, text: 'x'.repeat(10_000_000) }),
  });
  expect(huge.status()).toBe(413);
  const mixed = await request.post(`/api/projects/${id}/edits`, {
    data: { revision: 0, edits: [...edit({ type: 'setText', node, text: 'fine' }).edits, ...edit(refused[8]![0]).edits] },
  });
  expect(await mixed.json()).toMatchObject({ revision: 1, refused: [{ why: expect.stringMatching(/no rule/) as unknown }] });
  expect(ownText(elementNamed((await readProject(request, id)).project, 'Notice'))).toBe('fine');
});

test('a window that is behind is told what it missed; the same edit sent twice is made once', async ({ request }) => {
  const id = await createProject(request, 'demo');
  const node = elementNamed((await readProject(request, id)).project, 'Notice').id;
  const post = async (data: object) => (await request.post(`/api/projects/${id}/edits`, { data })).json() as Promise<object>;
  const first = edit({ type: 'setStyle', owner: node, at: 'base', property: 'color', value: 'red' });
  const mine = { revision: 1, id: first.edits[0]!.id };
  expect(await post(first)).toEqual({ revision: 1, entries: [mine], known: [], refused: [] });
  expect(await post(first)).toEqual({ revision: 1, entries: [mine], known: [], refused: [] });
  expect(await post({ ...first, revision: 1 })).toEqual({ revision: 1, entries: [], known: [mine.id], refused: [] });
  const late = edit({ type: 'setText', node, text: 'late' });
  expect(await post(late)).toMatchObject({
    revision: 2,
    entries: [
      { revision: 1, edit: first.edits[0]!.edit },
      { revision: 2, id: late.edits[0]!.id },
    ],
  });
  // Another edit under an id that is taken, twice in one request too, is refused and not taken for the first one.
  const other = { ...late.edits[0]!, edit: { type: 'setText', node, text: 'other' } };
  const answer = await request.post(`/api/projects/${id}/edits`, { data: { revision: 2, edits: [other, other] } });
  expect([answer.status(), await answer.json()]).toMatchObject([422, { error: expect.stringMatching(/same id/) as unknown }]);
  expect((await readProject(request, id)).revision).toBe(2);
});

test('requests from other sites are not answered', async ({ request }) => {
  const answer = await request.post('/api/projects', {
    data: { name: 'X', from: 'empty' },
    headers: { origin: 'https://elsewhere.example' },
  });
  expect(answer.status()).toBe(403);
  for (const headers of [{ 'sec-fetch-site': 'cross-site' }, { origin: 'null' }] as Record<string, string>[])
    expect((await request.get('/api/projects', { headers })).status()).toBe(403);
  for (const path of ['/', '/api/projects', '/api/frame'])
    expect([path, (await request.get(path, { headers: { host: 'rebound.example' } })).status()]).toEqual([path, 421]);
  const page = await request.get('/');
  expect(page.headers()['content-security-policy']).toMatch(
    /script-src 'self' 'nonce-[^']+';.*object-src 'none'; frame-ancestors 'none'/,
  );
  for (const path of ['/projects/%', '/api/projects/%E0', '/api/pictures/%'])
    expect([path, (await request.get(path)).status()]).toEqual([path, 400]);
  const answered = await request.get('/api/projects');
  expect(answered.headers()).toMatchObject({
    'content-security-policy': expect.stringMatching(/default-src 'none'.*sandbox/) as unknown,
    'x-content-type-options': 'nosniff',
    'x-request-id': expect.stringMatching(/^[0-9a-f]{8}$/) as unknown,
  });
});

test('a sweep of nonsense widths or of an old revision is refused', async ({ request }) => {
  const id = await createProject(request, 'demo');
  const sweep = (data: object) =>
    request.post(`/api/projects/${id}/sweep`, {
      data: { page: 'gfront', revision: 0, near: 0, widths: [{ first: 320, last: 321 }], ...data },
    });
  expect((await sweep({ widths: [{ first: 1, last: 321 }] })).status()).toBe(422);
  expect((await sweep({ widths: [{ first: 400, last: 321 }] })).status()).toBe(422);
  expect((await sweep({ revision: 7 })).status()).toBe(409);
  expect((await sweep({ page: 'gnone' })).status()).toBe(404);
  expect((await sweep({ view: 'sideways' })).status()).toBe(422);
  type Told = { type: string; view?: string; results?: PackedResults };
  const lines = (await (await sweep({})).text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Told);
  expect(lines.flatMap(({ results }) => (results ? unpacked(results) : [])).map(({ width }) => width)).toEqual([320, 321]);
  // On a slow machine they come one by one.
  expect([...new Set(lines.map(({ type, view }) => `${type} ${view}`))]).toEqual(['results widths', 'done undefined']);
});

test('audits, fixes and reports refuse what they can not do, in words', async ({ request }) => {
  const id = await createProject(request, 'demo');
  const post = (path: string, data: object) => request.post(`/api/projects/${id}/${path}`, { data });
  const violation = { element: 'ecatalogue1', amount: 1, measured: {}, others: [] };
  const finding = {
    key: 'k',
    check: 'small-text',
    severity: 'note',
    element: 'ecatalogue1',
    widths: [{ from: 320, below: 400 }],
    worst: { width: 320, violation },
  };
  expect((await post('audits', { revision: 9 })).status()).toBe(409);
  expect((await post('audits', {})).status()).toBe(422);
  expect((await post('fixes', { page: 'gcatalogue', revision: 9, findings: [finding] })).status()).toBe(409);
  expect((await post('fixes', { page: 'gnone', revision: 0, findings: [finding] })).status()).toBe(404);
  const odd = await post('fixes', { page: 'gcatalogue', revision: 0, findings: [{ ...finding, check: 'rm-rf' }] });
  expect([odd.status(), await odd.text()]).toEqual([422, expect.stringContaining('There is no such check') as unknown]);
  const mixed = await post('fixes', { page: 'gcatalogue', revision: 0, findings: [finding, { ...finding, check: 'contrast' }] });
  expect([mixed.status(), await mixed.text()]).toEqual([422, expect.stringContaining('of one check') as unknown]);
  expect((await post('fixes', { page: 'gcatalogue', revision: 0, findings: [] })).status()).toBe(422);
  const gone = { type: 'setStyle', owner: 'enobody', at: 'base', property: 'color', value: 'red' };
  const picture = { page: 'gcatalogue', revision: 0, width: 400 };
  const impossible = await post('edit-picture', { ...picture, edit: gone });
  expect([impossible.status(), await impossible.text()]).toEqual([422, expect.stringContaining('removed') as unknown]);
  expect((await post('edit-picture', { ...picture, edit: 'anything' })).status()).toBe(422);
  expect((await post('edit-picture', picture)).headers()['content-type']).toBe('image/png');
  const vast = { ...finding, worst: { ...finding.worst, width: 100_000 } };
  const tooWide = await post('finding-picture', { page: 'gcatalogue', revision: 0, finding: vast });
  expect([tooWide.status(), await tooWide.text()]).toEqual([422, expect.stringContaining('at most 10000 px') as unknown]);
  expect((await post('finding-picture', { page: 'gcatalogue', revision: 0, finding })).status()).toBe(200);
  expect((await post('mend', { page: 'gcatalogue', revision: 0, findings: 'all' })).status()).toBe(422);
  const early = await request.get(`/api/projects/${id}/report?form=json`);
  expect([early.status(), await early.text()]).toEqual([404, expect.stringContaining('No audit') as unknown]);
  expect((await request.delete(`/api/projects/${id}/audits/nonsense`)).status()).toBe(404);
});
