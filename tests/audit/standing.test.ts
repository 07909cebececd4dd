import { DEFAULT_SLICE } from '@/core/breakpoints';
import { insert, make, makeFrom, set } from '@/core/edits/project-for-tests';
import { MeasuredPage, measuringTabs } from '@/server/browser/measuring';
import { stand } from '@/server/browser/stand';
import { changeBetween } from '@/server/browser/standing';
import { closeBrowser } from '@/server/browser/warm-browser';

// Documents stay in the tabs that measure them: whoever tries fixes comes back to the same versions of a page.

const { height } = DEFAULT_SLICE;
const WORDS = 'Bring the ladder back on Saturday, please, since six people are waiting for it.';
const before = make(
  insert('ea', 'p'),
  { type: 'setContent', node: 'ea', children: [{ text: WORDS }], elements: [] },
  set('ea', 'base', 'width', '25em'),
);
const after = makeFrom(before, set('ea', 'base', 'width', '480px'));

afterAll(closeBrowser);

/** How many documents stand in the tab that is used next, and of how many it was written down that they were there before. */
const marked = () =>
  measuringTabs.use((tab) =>
    tab.ask((page) =>
      page.evaluate(() => {
        const all = [...document.querySelectorAll('iframe')].map((one) => one.contentDocument!.documentElement.dataset);
        const known = all.filter((data) => data.known !== undefined).length;
        for (const data of all) data.known = '';
        return { all: all.length, known };
      }),
    ),
  );

async function measured(project: typeof before, view: 'widths' | 'large-text' = 'widths') {
  const page = await MeasuredPage.open(project, project.pages[0]!);
  try {
    return await page.measure([500], { view });
  } finally {
    await page.close();
  }
}

test('what stands is measured and compared again without being loaded, and at rest', async () => {
  const first = await measured(before);
  const change = await changeBetween(before, after, 'gfirst', [700]);
  expect(change).toBeGreaterThan(0);
  expect(await marked()).toEqual({ all: 2, known: 0 });
  await measured(before, 'large-text');
  expect(await changeBetween(before, after, 'gfirst', [700])).toBe(change);
  expect(await measured(before)).toEqual(first);
  expect(await marked()).toEqual({ all: 2, known: 2 });
  // A third version takes the place of that which was asked for longest ago.
  await measured(makeFrom(before, set('ea', 'base', 'color', 'red')));
  expect(await marked()).toEqual({ all: 2, known: 1 });
  await measured(before);
  expect(await marked()).toEqual({ all: 2, known: 2 });
});

test('a reader’s text size is the document’s own: it ends with it', async () => {
  const html = '<!doctype html><p style="margin:0;width:10rem">x';
  const widthAt = (text?: number) =>
    measuringTabs.use(async (tab) => {
      await stand(tab, [html], height, text);
      return tab.ask((page) =>
        page.evaluate(() => {
          const all = document.querySelectorAll('iframe');
          return all[all.length - 1]!.contentDocument!.querySelector('p')!.offsetWidth;
        }),
      );
    });
  expect([await widthAt(), await widthAt(1.5), await widthAt()]).toEqual([160, 240, 160]);
});

test('two versions that are the same document are alike', async () => {
  expect(await changeBetween(before, before, 'gfirst', [400, 700])).toBe(0);
});
