import type { Redirect } from '../design/index.js';
import { MOST_REDIRECTS, comparedAddress } from '../design/index.js';
import type { Result } from '../values/index.js';
import { issue, ok, refuse } from '../values/index.js';
import { readCsv, writeCsv } from './tables/csv.js';

/** What a file of redirects holds, and the lines that could not be read, each with why. */
export interface RedirectsFile {
  readonly entries: readonly Redirect[];
  readonly left: readonly { readonly line: number; readonly why: string }[];
}

/**
 * Reads delimited text whose first two columns are a former address and where it leads; a header may stand above them.
 * Refused by `file.no-rows`.
 */
export function readRedirects(text: string): Result<RedirectsFile> {
  const body = text.replace(/^\ufeff/, '');
  const [first = ''] = body.trimStart().split(/\r?\n/, 1);
  const hasHeader = !/^"?\s*(\/|https?:)/i.test(first);
  const columns = first.split(/[,;\t|]/).length;
  const header = Array.from({ length: columns }, (_, at) => `column ${at + 1}`).join(/[,;\t|]/.exec(first)?.[0] ?? ',');
  const read = readCsv(hasHeader ? body : `${header}\n${body}`);
  if (!read.ok) return read;
  if (read.value.headers.length < 2) return refuse(issue('file.no-rows'));
  const entries: Redirect[] = [];
  const left: { line: number; why: string }[] = [];
  for (const [at, [from = '', to = '']] of read.value.rows.entries()) {
    const line = (read.value.lines[at] ?? 0) - (hasHeader ? 0 : 1);
    if (comparedAddress(from) === '')
      left.push({ line, why: `“${from}” is no address: it begins with / or https://.` });
    else if (to.trim() === '') left.push({ line, why: `it does not say where “${from}” leads.` });
    else entries.push({ from: from.trim(), to: to.trim() });
  }
  return ok({ entries: entries.slice(0, MOST_REDIRECTS), left });
}

/** Redirects as delimited text (RFC 4180), with a header. */
export function writeRedirects(entries: readonly Redirect[]): string {
  return writeCsv(
    ['from', 'to'],
    entries.map(({ from, to }) => [from, to]),
  );
}
