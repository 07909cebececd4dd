import { readFileSync } from 'node:fs';
import { checksChapter, reportSchemaText } from '../../scripts/guide-text';

const squeezed = (text: string) => text.replace(/\s+/g, ' ').trim();

test('the chapter of all checks and the schema of reports are those of the code: npm run guide', () => {
  expect(squeezed(readFileSync('docs/guide/checks.md', 'utf8'))).toBe(squeezed(checksChapter()));
  expect(JSON.parse(readFileSync('docs/guide/report.schema.json', 'utf8'))).toEqual(JSON.parse(reportSchemaText()));
});
