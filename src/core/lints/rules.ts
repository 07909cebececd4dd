import { sharedSheets } from '../document/page-sheets';
import { takenBy } from '../breakpoints';
import type { Project } from '../document/project';
import { isChosenAt } from '../edits/footprint';
import { overridesUnder } from '../edits/owners';
import { readSheet } from '../read';
import type { LintFinding } from './lint';

/** Breakpoints under which nothing is written and that take nothing over. */
export function lintBreakpoints(project: Project): LintFinding[] {
  return project.breakpoints.flatMap((breakpoint): LintFinding[] => {
    const speaks = takenBy(project.breakpoints, breakpoint.id).some(
      (id) => Object.keys(overridesUnder(project, id)).length > 0 || isChosenAt(project, id),
    );
    if (speaks) return [];
    return [
      {
        lint: 'unused-breakpoint',
        key: breakpoint.id,
        owner: breakpoint.id,
        at: breakpoint.id,
        sentence: `Nothing is written under ${breakpoint.name}.`,
        fix: { type: 'removeBreakpoint', id: breakpoint.id },
        unchanged: true,
      },
    ];
  });
}

/** Declarations in imported sheets that a later one in the same rule leaves without effect. */
export function lintSheets(project: Project): LintFinding[] {
  return sharedSheets(project).flatMap(({ id, name, css }) =>
    readSheet(css).overwritten.map(({ line, selector, property, value, by, start, end }): LintFinding => {
      const again = property === by;
      // Line breaks stay, so that other findings keep their lines.
      const rest = css.slice(end).replace(/^[^\S\n]*;?/, '');
      return {
        lint: again ? 'written-twice' : 'fighting',
        key: `${id} ${start}`,
        owner: id,
        property,
        sentence: again
          ? `${name}, line ${line}: ${selector} writes ${property} twice; ${value} has no effect.`
          : `${name}, line ${line}: ${selector} writes ${property} ${value} and then ${by}, which takes it back.`,
        fix: { type: 'changeSheet', id, css: css.slice(0, start) + rest },
        unchanged: true,
      };
    }),
  );
}
