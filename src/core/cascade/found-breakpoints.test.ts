import { bringIn, bringInEdit } from '../bring-in';
import { describeCondition } from '../breakpoints';
import { newProject } from '../document';
import { makeEdit } from '../edits';
import { foundBreakpoints, foundContainers, nearMisses } from './index';
import { hashForTests } from '../bring-in/hash-for-tests';

const CSS = `@media (max-width: 767px) { p { color: red } .none { color: red } }
@media screen and (width < 768px) { b { color: red } }
@media only screen and (min-width: 768px) and (max-width: 63.9375em) { p { color: red } }
@media (min-width: 769px), (orientation: landscape) { p { color: red } }
@media (prefers-color-scheme: dark) { p { color: red } }
@media (max-width: 300px) { .none { color: red } }
@container card (width > 400px) { p { color: red } @container (height > 9px) { b { color: red } } }`;
const PICTURE = `<picture><source media="(max-width: 767px)" srcset="a.png"><source media="(min-width: 1200px)" srcset="b.png"><img src="c.png"></picture>`;

test('what a page asks of viewports is found, equal conditions together, with whom they speak of; near misses are named', () => {
  const start = newProject('00000000-0000-4000-8000-000000000000', 'Found');
  const files = [{ path: 'a.html', bytes: Buffer.from(`<style>${CSS}</style><p>One <b>two</b></p><p>Three</p>${PICTURE}`) }];
  const { document } = makeEdit(start, bringInEdit(bringIn(files, { project: start, hash: hashForTests, key: 'k' })));
  const project = makeEdit(document, {
    type: 'addBreakpoint',
    breakpoint: { id: 'bown', name: 'Own', condition: { below: 768 } },
  }).document;
  const found = foundBreakpoints(project, project.pages[1]!);
  expect(
    found.map(({ condition, rules, pictures, elements, id }) => [describeCondition(condition), rules, pictures, elements, id]),
  ).toEqual([
    ['1200 and wider', 0, 1, 1, undefined],
    ['769 and wider', 1, 0, 2, undefined],
    ['landscape', 1, 0, 2, undefined],
    ['768 to 1023', 1, 0, 2, undefined],
    ['767 and narrower', 3, 1, 4, 'bown'],
    ['300 and narrower', 1, 0, 0, undefined],
  ]);
  expect(foundContainers(project, project.pages[1]!)).toEqual([
    { query: 'card (width>400px)', rules: 1, elements: 2 },
    { query: 'card (width>400px) and (height>9px)', rules: 1, elements: 1 },
  ]);
  expect(nearMisses(found)).toEqual([{ a: 768, b: 769 }]);
  expect(foundBreakpoints(project, project.pages[0]!)).toEqual([]);
});
