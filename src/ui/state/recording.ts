import type { Page } from '@/core/document';

/** What is recorded: the element, the tree that keeps it as it was, and how far the history reached. */
export interface Recording {
  readonly id: string;
  readonly name: string;
  readonly before: Page;
  /** The last edit before it; undefined for none. */
  readonly after: string | undefined;
}
