import type { Project } from '@/core/document';
import type { Dropped, LintFinding } from '@/core/lints';
import type { Direction, Fate, Plan, TakeChoice } from '@/core/plans';

/** What can take long on a large project, each with all that it needs. */
export type Task =
  | { readonly kind: 'lint'; readonly project: Project }
  | { readonly kind: 'drop'; readonly project: Project; readonly findings: readonly LintFinding[] }
  | { readonly kind: 'remove'; readonly project: Project; readonly id: string; readonly fate: Fate }
  | {
      readonly kind: 'turn';
      readonly project: Project;
      readonly direction: Direction;
      /** For the breakpoints that it makes. */
      readonly ids: readonly string[];
    }
  /** The ids of what it makes begin with the key. */
  | { readonly kind: 'take'; readonly project: Project; readonly choice: TakeChoice; readonly key: string }
  | { readonly kind: 'takeInline'; readonly project: Project; readonly ids: readonly string[] };

/** What comes of each. */
export interface TaskResults {
  readonly lint: readonly LintFinding[];
  readonly drop: Dropped;
  readonly remove: Plan;
  readonly turn: Plan;
  readonly take: Plan;
  readonly takeInline: Plan;
}

export interface Background<T> {
  /** Rejects with a sentence for people; never settles once it is cancelled. */
  readonly result: Promise<T>;
  readonly cancel: () => void;
}

/** Works something out beside the page. */
export function inBackground<T extends Task>(task: T): Background<TaskResults[T['kind']]> {
  const worker = new Worker(new URL('./background-worker.ts', import.meta.url));
  const result = new Promise<TaskResults[T['kind']]>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<{ done: TaskResults[T['kind']] } | { problem: string }>) => {
      worker.terminate();
      if ('done' in data) resolve(data.done);
      else reject(new Error(data.problem));
    };
    worker.onerror = (event) => {
      worker.terminate();
      reject(new Error(event.message || 'It could not be worked out.'));
    };
  });
  worker.postMessage(task);
  const cancel = () => {
    // One that is ended while it is loaded may still say that it could not be.
    worker.onmessage = worker.onerror = null;
    worker.terminate();
  };
  return { result, cancel };
}
