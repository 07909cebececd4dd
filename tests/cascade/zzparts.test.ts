/** @jest-environment node */
import fc from 'fast-check';
import { arbitraryProject } from './arbitrary-project';
import { kept, expanded, usesIn, treesOf } from '@/core/document';
import { projectProblem } from '@/core/document/problems';
test('stat', () => {
  const stats = { projects: 0, withParts: 0, uses: 0, nested: 0, sheets:0, problems: 0, bad: 0 };
  fc.assert(fc.property(arbitraryProject, (p) => {
    stats.projects++;
    if (p.parts.length) { stats.withParts++; if (p.sheets.length) stats.sheets++; }
    stats.uses += treesOf(p).reduce((n, t) => n + usesIn(t.elements).length, 0);
    if (Object.keys(p.pages[0]!.elements).some((id) => id.split('.').length > 2)) stats.nested++;
    const why = projectProblem(kept(p)); if (why) { stats.problems++; console.log(why); }
    const again = expanded(JSON.parse(JSON.stringify(kept(p))));
    expect(JSON.parse(JSON.stringify(again))).toEqual(JSON.parse(JSON.stringify(p)));
    // without what is remembered
    expect(JSON.parse(JSON.stringify(kept(JSON.parse(JSON.stringify(p)))))).toEqual(JSON.parse(JSON.stringify(kept(p))));
  }), { numRuns: 400 });
  console.log(stats);
});
