import { launchChromium } from '@/server/browser/chromium';
import { PAINTED } from '@/probe/painted-only';

const VALUES = (
  'red none 0 1px 7px thick 200% 1.5 dotted inset auto cover no-repeat border-box text fixed pointer 40px 2s ' +
  'linear-gradient(red,blue)|0 0 0 9px red|3px 3px 4px blue|inset 0 0 9px|10px 20px|opacity|allow-discrete|ease-in|from-font|wavy'
).split('|');
const [SINGLE, ...WHOLE] = VALUES;
const BODY = `<p>Tide <a href="#">Weir To AV</a> and <b style="border:2px solid;outline:1px solid">bench</b> of the mill</p>
<ul><li>Reed <button>Press</button> <input value="Rope"><li>Hall</ul><table><tr><td>Saw<td>Pond</table><img alt="Mill" width="40" height="30">
<div style="display:flex;gap:8px"><span style="padding:3px;border:3px double">Oak</span><u>Yes We Ta.</u></div>`;

test('what only paints leaves everything where it lies', async () => {
  const browser = await launchChromium();
  const page = await browser.newPage();
  await page.setContent(`<style>body{margin:8px;width:290px;font:17px/1.4 serif}</style>${BODY}`);
  const told = await page.evaluate(
    ([names, values]) => {
      const all = [...document.body.querySelectorAll<HTMLElement>('*')];
      const range = document.createRange();
      const places = () =>
        JSON.stringify(
          all.map((one) => {
            range.selectNodeContents(one);
            return [one.getBoundingClientRect(), ...range.getClientRects()];
          }),
        );
      const rest = places();
      const moved: string[] = [];
      const untried = new Set(names);
      for (const name of names)
        for (const value of values) {
          if (!CSS.supports(name, value)) continue;
          untried.delete(name);
          for (const one of all) one.style.setProperty(name, value, 'important');
          if (places() !== rest) moved.push(`${name}: ${value}`);
          for (const one of all) one.style.removeProperty(name);
        }
      return { moved, untried: [...untried] };
    },
    [
      [...PAINTED, 'padding-left', 'text-decoration-line'],
      [...SINGLE!.split(' '), ...WHOLE, 'underline'],
    ] as const,
  );
  await browser.close();
  expect(told.untried).toEqual([]);
  expect(new Set(told.moved.map((one) => one.split(':')[0]))).toEqual(new Set(['padding-left', 'text-decoration-line']));
});
