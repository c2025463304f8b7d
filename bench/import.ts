import { dryRun, proposePlan, readCsv } from '@plindo/core/exchange';
import Papa from 'papaparse';
import { CONTEXT } from './airports.js';
import { wideFile } from './wide-file.js';
import type { Benchmark } from './measure.js';
import { importThroughApi } from './import-api.js';
import { timed } from './measure.js';

/** Reading a file, proposing its fields and checking every row, beside the bare parsing of the same text. */
export const importBench: Benchmark = {
  about: 'a CSV file: read and checked beside its bare parsing, and brought in through the API while somebody edits',
  sizes: [100_000],
  async run(n) {
    const text = wideFile(n);
    let coming = 0;
    const oursMs = await timed(() => {
      const read = readCsv(text);
      if (!read.ok) throw new Error(read.issue.message);
      coming = dryRun(read.value, proposePlan(read.value, CONTEXT), 'refuse-row', CONTEXT).coming;
    });
    let parsed = 0;
    const referenceMs = await timed(() => {
      parsed = Papa.parse(text, { skipEmptyLines: true }).data.length - 1;
    });
    const ratio = oursMs / referenceMs;
    const equal = coming === parsed && parsed === n;
    return [
      {
        case: 'read, sniff and check',
        n,
        oursMs,
        reference: 'Papa Parse alone',
        referenceMs,
        ratio,
        hold: 6,
        equal,
      },
      ...(await importThroughApi(text, n)),
    ];
  },
};
