import base from './jest.config.mjs';
import { writeGroups } from './scripts/setup/together.mjs';

// The whole suite, many files as one; `npx jest` runs each by itself.
const quick = process.env.MILLPOND_QUICK !== undefined;
const alone = writeGroups({ quick });
const [unit, server] = base.projects;

/** @type {import('jest').Config} */
export default {
  ...base,
  projects: [
    {
      ...unit,
      roots: [...unit.roots, '<rootDir>/generated/unit'],
      testMatch: ['<rootDir>/generated/unit/*.test.ts', ...alone.map((path) => `<rootDir>/${path}`)],
    },
    ...(quick ? [] : [server]),
  ],
  // Some tests wait for others' time limits; with as many workers as cores a core would wait with them.
  maxWorkers: 3,
  testSequencer: './scripts/setup/groups-first.mjs',
};
