import { BASE } from '@/core/breakpoints';
import { demoProject } from '@/demo';
import { PROPERTIES } from '@/core/styles';
import { reachInWords } from '../stage/WritesTo';
import { compose, COMPOSITES } from './composites';
import { describeOrigin, fieldValue } from './field-value';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const page = project.pages[1]!;
const id = (name: string) => Object.values(page.elements).find((element) => element.name === name)!.id;
const field = (names: readonly string[], property: string, width: number, home: string, target = home) =>
  fieldValue(project, page, names.map(id), property, width, home, target);

test('a field tells where its value comes from', () => {
  const told = (name: string, property: string, width: number, home: string) => {
    const value = field([name], property, width, home);
    return [value.value, value.carriage, describeOrigin(project, page, value.resolution)];
  };
  expect(told('Tool cards', 'row-gap', 700, 'bmiddle')).toEqual(['16px', 'set', 'set at 899 and narrower']);
  expect(told('Tool cards', 'row-gap', 400, 'bnarrow')).toEqual(['16px', 'carried', 'set at 899 and narrower']);
  expect(told('Tool cards', 'row-gap', 1200, BASE)).toEqual(['24px', 'set', 'set at the base']);
  expect(told('Heading', 'font-size', 700, 'bmiddle')).toEqual(['36px', 'shared', 'shared style Page title, 899 and narrower']);
  expect(told('Filters', 'color', 700, 'bmiddle')).toEqual([
    '#1f2b29',
    'inherited',
    'inherited from Catalogue: shared style Page, base',
  ]);
  expect(told('Filters', 'opacity', 700, 'bmiddle')).toEqual(['1', 'default', 'initial value, set nowhere']);
  expect(told('Heading', 'display', 700, 'bmiddle')).toEqual(['block', 'default', 'browser default']);
});

test('elements that differ show no common value, and the strongest origin', () => {
  const both = field(['Heading', 'Notice'], 'width', 1200, BASE);
  expect([both.value, both.carriage, both.ownHere]).toEqual([undefined, 'set', true]);
  expect(field(['Notice'], 'width', 400, 'bnarrow').ownHere).toBe(false);
});

test('the same story is the same text; another origin is another', () => {
  const a = field(['Tool cards'], 'row-gap', 700, 'bmiddle').story;
  expect(field(['Tool cards'], 'row-gap', 700, 'bmiddle').story).toBe(a);
  expect(field(['Tool cards'], 'row-gap', 400, 'bnarrow').story).not.toBe(a);
});

test('shorthands shown as one field: the shortest form, and only longhands that there are', () => {
  expect([
    compose(['1px', '1px', '1px', '1px']),
    compose(['1px', '2px', '1px', '2px']),
    compose(['1px', '2px', '3px', '2px']),
  ]).toEqual(['1px', '1px 2px', '1px 2px 3px']);
  expect([compose(['1px', '2px', '3px', '4px']), compose(['1px', '2px']), compose(['1px', '1px'])]).toEqual([
    '1px 2px 3px 4px',
    '1px 2px',
    '1px',
  ]);
  const known = new Set(PROPERTIES.map((property) => property.name));
  for (const { longhands } of COMPOSITES)
    for (const longhand of longhands) expect([longhand, known.has(longhand)]).toEqual([longhand, true]);
});

test('the reach of an edit in words, band by band', () => {
  expect(reachInWords(project, 'bmiddle', [{ from: 600, below: 900 }])).toBe('changes Middle · Narrow keeps its own');
  expect(reachInWords(project, 'bmiddle', [{ from: 0, below: 900 }])).toBe('changes Narrow, Middle');
  expect(reachInWords(project, BASE, [{ from: 900, below: 1600 }])).toBe(
    'changes Wide · Narrow, Middle, Very wide keep their own',
  );
  expect(reachInWords(project, BASE, [])).toBe('');
});
