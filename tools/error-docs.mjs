// Writes docs/errors.md from the catalogue of errors; a test holds the two together.
import { writeFileSync } from 'node:fs';
import { errorTable } from '../server/dist/src/http/problem.js';

const rows = errorTable().map(({ code, status, sentence }) => `| \`${code}\` | ${status} | ${sentence} |`);
const head = [
  '# Errors',
  '',
  'Every refusal of the API is a problem details object (RFC 9457) with a `code` from this list and `issues`, each with',
  'its own code, sentence, and the field or line that is meant. The list is written by `node tools/error-docs.mjs`.',
  '',
  '| code | HTTP status | sentence |',
  '| --- | --- | --- |',
];
writeFileSync(new URL('../docs/errors.md', import.meta.url), [...head, ...rows, ''].join('\n'));
