import { EditError } from '@/core/edits';
import { dropFindings, lintProject } from '@/core/lints';
import { PlanError, planRemoveBreakpoint, planTakeInline, planTakeOver, planTurn } from '@/core/plans';
import type { Task, TaskResults } from './background';

// Runs beside the page, so that a large project never keeps it waiting.

function work(task: Task): TaskResults[Task['kind']] {
  switch (task.kind) {
    case 'lint':
      return lintProject(task.project);
    case 'drop':
      return dropFindings(task.project, task.findings);
    case 'remove':
      return planRemoveBreakpoint(task.project, task.id, task.fate);
    case 'turn': {
      const ids = [...task.ids];
      return planTurn(task.project, task.direction, () => ids.pop()!);
    }
    case 'take': {
      let made = 0;
      return planTakeOver(task.project, task.choice, (letter) => `${letter}${task.key}${made++}`);
    }
    case 'takeInline':
      return planTakeInline(task.project, task.ids);
  }
}

addEventListener('message', (event: MessageEvent<Task>) => {
  try {
    postMessage({ done: work(event.data) });
  } catch (error) {
    const forPeople = error instanceof PlanError || error instanceof EditError;
    postMessage({ problem: forPeople ? error.message : `It could not be worked out: ${String(error)}` });
  }
});
