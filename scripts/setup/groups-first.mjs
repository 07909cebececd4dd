import Sequencer from '@jest/test-sequencer';

const place = ({ path }) =>
  path.includes('/generated/unit/') ? path : path.endsWith('/tests/server/browser.test.ts') ? '' : '~';

/** What takes longest begins first; without this it is the largest file, and the groups are small ones. */
export default class GroupsFirst extends Sequencer {
  sort(tests) {
    return super.sort(tests).sort((a, b) => place(a).localeCompare(place(b)));
  }
}
