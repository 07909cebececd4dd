import { writeFile } from 'node:fs/promises';
import { format } from 'prettier';
import { checksChapter, reportSchemaText } from './guide-text';

// The chapter of all checks and the schema of the JSON report, written from the code.
const options = { printWidth: 120, singleQuote: true };
await writeFile('docs/guide/checks.md', await format(checksChapter(), { ...options, parser: 'markdown' }));
await writeFile('docs/guide/report.schema.json', await format(reportSchemaText(), { ...options, parser: 'json' }));
console.log('docs/guide/checks.md, docs/guide/report.schema.json');
