import type { At } from '../breakpoints';
import type { Edit } from '../edits/edit';

export const LINTS = [
  {
    id: 'same-as-beneath',
    title: 'Says what holds anyway',
    why: 'An override that equals what it overrides changes nothing, but it stays behind when that is changed later.',
  },
  { id: 'never-wins', title: 'Can never win', why: 'Something stronger holds wherever this does, so it is never seen.' },
  {
    id: 'written-twice',
    title: 'Written twice',
    why: 'The same declaration stands in two places; one of them will be forgotten at the next change.',
  },
  {
    id: 'fighting',
    title: 'Longhand and shorthand fight',
    why: 'A shorthand sets all of its parts, so a part that stands before it has no effect.',
  },
  {
    id: 'hardly-differs',
    title: 'Hardly differs from the next band',
    why: 'Nobody sees a difference of less than 1 px or such a small step of colour; one value is easier to keep.',
  },
  {
    id: 'unused-breakpoint',
    title: 'Nothing is written there',
    why: 'A breakpoint without values changes nothing and makes the set harder to read.',
  },
  {
    id: 'not-allowed-there',
    title: 'Not allowed there',
    why: 'HTML doesn’t allow it in that place. Browsers show it, but readers of the page and other tools may take it otherwise.',
  },
  {
    id: 'leads-nowhere',
    title: 'Leads nowhere',
    why: 'The page or the place that the link names isn’t there, so whoever follows it gets lost.',
  },
  {
    id: 'not-just-one',
    title: 'Not exactly one shows',
    why: 'Of alternates people should see one: with none something is missing, with several it is said twice.',
  },
  {
    id: 'never-shown',
    title: 'Never shown anywhere',
    why: 'Nobody sees it at any width or height, and it is still downloaded and kept up.',
  },
  {
    id: 'fields-twice',
    title: 'A field that is sent twice',
    why: 'Browsers send hidden fields too, and may refuse a form because of one that nobody can see.',
  },
  {
    id: 'shut-panel',
    title: 'A panel that nobody can open',
    why: 'What is in it can’t be reached there, by pointer or by keyboard.',
  },
  {
    id: 'stuck-panel',
    title: 'A panel that can’t be closed by hand',
    why: 'Escape closes it, but a phone has no Escape: there it stays until the page is left.',
  },
] as const;
export type LintId = (typeof LINTS)[number]['id'];

/** Something in the values or in the document that is wrong or of no use, found without a browser. */
export interface LintFinding {
  readonly lint: LintId;
  /** The same for the same thing as long as it is there. */
  readonly key: string;
  /** Whose value it is: an element, a shared style, a kind, an imported sheet, or a breakpoint. */
  readonly owner: string;
  readonly pageId?: string;
  readonly at?: At;
  readonly property?: string;
  readonly sentence: string;
  /** Drops or mends it; undefined where only people can. */
  readonly fix: Edit | undefined;
  /** Whether the fix leaves every value of every element at every viewport as it was. */
  readonly unchanged: boolean;
}
