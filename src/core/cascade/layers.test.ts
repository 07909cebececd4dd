import type { Project } from '../document';
import { applyEdit } from '../edits';
import { make, NARROW as narrow, set, shared, sheet, SHORT as short, START, TEXT } from '../edits/project-for-tests';
import { renderExport, renderSheet, writeSheet } from '../render';
import { ComputedStyles, laneFor, lanesFor, resolve } from './index';

const node = TEXT;
const story = (project: Project, property: string, width = 1000, height = 800) => {
  const { value, origin, beaten } = resolve(project, project.pages[0]!, node, property, width, { height, pointer: 'mouse' });
  const winner = origin.kind === 'initial' ? 'initial' : (origin.candidate?.layer ?? origin.kind);
  return [value, winner, ...beaten.map(({ layer }) => layer)];
};

test('own beats shared beats kind beats elsewhere beats the browser; each is in the story', () => {
  const project = make(
    sheet('p { margin-top: 1px }'),
    set('ktext', 'base', 'margin-top', '2px'),
    shared(node),
    set('sx', 'base', 'margin-top', '3px'),
    set(node, 'base', 'margin-top', '4px'),
  );
  expect(story(project, 'margin-top')).toEqual(['4px', 'own', 'shared', 'kind', 'imported', 'browser']);
});

test('inside a layer the breakpoint wins, but a weaker layer never does', () => {
  const project = make(narrow, set('ktext', 'bn', 'color', 'red'), shared(node), set('sx', 'base', 'color', 'green'));
  expect(story(project, 'color', 500)).toEqual(['green', 'shared', 'kind']);
  const own = make(narrow, set('ktext', 'base', 'color', 'red'), set('ktext', 'bn', 'color', 'blue'));
  expect(
    laneFor(own, own.pages[0]!, node, 'color').stretches.map(({ from, value, carriage }) => [from, value, carriage]),
  ).toEqual([
    [0, 'blue', 'kind'],
    [600, 'red', 'kind'],
  ]);
});

test('an important declaration from elsewhere beats everything, where its media query holds', () => {
  const project = make(sheet('@media (max-width: 599px) { p { color: red !important } }'), set(node, 'base', 'color', 'blue'));
  expect(story(project, 'color', 599)).toEqual(['red', 'imported', 'own']);
  expect(story(project, 'color', 600)).toEqual(['blue', 'own']);
  expect(laneFor(project, project.pages[0]!, node, 'color').stretches.map(({ value }) => value)).toEqual(['red', 'blue']);
});

test('specificity, then order, decides inside sheets; a shorthand resets', () => {
  const project = make(sheet('main p { margin: 5px } p { margin: 6px; margin-top: 7px } p { margin-left: 8px }'));
  expect(['margin-top', 'margin-left'].map((name) => story(project, name)[0])).toEqual(['5px', '5px']);
});

test('a height cuts across widths; what takes over from another has its values below its own', () => {
  const project = make(narrow, short, set(node, 'base', 'color', 'black'), set(node, 'bn', 'color', 'blue'), {
    type: 'changeBreakpoint',
    id: 'bs',
    also: ['bn'],
  });
  expect(story(project, 'color', 1000, 800)[0]).toBe('black');
  expect(story(project, 'color', 1000, 400)).toEqual(['blue', 'own', 'own']);
  const own = applyEdit(project, set(node, 'bs', 'color', 'red')).document;
  expect(story(own, 'color', 500, 400)).toEqual(['red', 'own', 'own', 'own', 'own']);
  const css = writeSheet(renderSheet(project, project.pages, { addresses: { picture: () => '' } }));
  expect(css).toContain('@media (height < 500px) {\n  .first-text {\n    color: blue;');
});

test('variables are inherited, overridden and may run in a circle', () => {
  const project = make(
    narrow,
    set(START.pages[0]!.root, 'base', '--room', '10px'),
    set(START.pages[0]!.root, 'bn', '--room', 'calc(2px + 1px)'),
    set(node, 'base', 'padding-top', 'var(--room)'),
    set(node, 'base', 'padding-left', 'var(--none, 5px)'),
    set(node, 'base', '--x', 'var(--y)'),
    set(node, 'base', '--y', 'var(--x, 1px)'),
    set(node, 'base', 'width', 'var(--x)'),
    set(node, 'base', 'color', 'var(--room)'),
  );
  const at = (width: number) => {
    const styles = new ComputedStyles(project, project.pages[0]!, { width, height: 800 });
    return ['padding-top', 'padding-left', 'width', 'color'].map((name) => styles.value(node, name));
  };
  expect(at(1000)).toEqual(['10px', '5px', 'auto', 'rgb(0, 0, 0)']);
  expect(at(500)[0]).toBe('3px');
  expect(lanesFor(project, project.pages[0]!, node).map(({ property }) => property)).toContain('--room');
});

test('the sheet says the same: layers only where there are sheets, kinds before classes, no tag where the kind was given', () => {
  const text = (project: Project) => {
    const content = renderExport(project).find(({ path }) => path === 'styles.css')!.content;
    return 'text' in content ? content.text : '';
  };
  expect(text(make(set(node, 'base', 'color', 'red')))).not.toContain('@layer');
  const full = text(
    make(
      sheet('p > a:hover { color: red }'),
      set('ksection', 'base', 'color', 'red'),
      set('krow', 'base', 'gap', '9px'),
      { type: 'setKind', node: 'efirstmain', kind: 'krow' },
      set(node, 'base', 'color', 'blue'),
    ),
  );
  expect(full).toMatch(/@layer foundation \{[\s\S]*@layer imported \{\s*p>a:hover \{\s*color: red;/);
  expect(full).toContain('main:where(:not(.row, .grid))');
  expect(full.indexOf('.row {')).toBeLessThan(full.indexOf('.first-text {'));
});

test('a variable is never written inside a shorthand, where it could take the other parts along', () => {
  const border = { width: '2px', style: 'dashed', color: 'var(--none)' };
  const project = make(...Object.entries(border).map(([what, value]) => set(node, 'base', `border-top-${what}`, value)));
  const css = writeSheet(renderSheet(project, project.pages, { addresses: { picture: () => '' } }));
  expect(css).toContain('border-top-style: dashed;');
  expect(css).not.toContain('border-top:');
});
