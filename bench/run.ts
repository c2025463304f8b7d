/** `./plindo bench NAME [--n N] [--json]`: runs one benchmark, or lists them. */
import { parseArgs } from 'node:util';
import { clicksBench } from './clicks.js';
import { clockBench } from './clock.js';
import { designBench } from './design.js';
import { editsBench } from './edits.js';
import { hostileBench } from './hostile.js';
import { importBench } from './import.js';
import { lighthouseBench } from './lighthouse.js';
import type { Benchmark, Measurement } from './measure.js';
import { pageBench } from './page.js';
import { queryBench } from './query.js';
import { undoBench } from './undo.js';
import { viewsBench } from './views.js';
import { workbenchBench } from './workbench.js';

const BENCHMARKS: Readonly<Record<string, Benchmark>> = {
  clicks: clicksBench,
  clock: clockBench,
  design: designBench,
  edits: editsBench,
  hostile: hostileBench,
  import: importBench,
  lighthouse: lighthouseBench,
  page: pageBench,
  query: queryBench,
  undo: undoBench,
  views: viewsBench,
  workbench: workbenchBench,
};

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { n: { type: 'string' }, json: { type: 'boolean', default: false } },
});
const benchmark = BENCHMARKS[positionals[0] ?? ''];
const sizes = values.n === undefined ? (benchmark?.sizes ?? []) : [Number(values.n)];

if (!benchmark || !sizes.every((n) => Number.isInteger(n) && n >= 1)) {
  for (const [name, { about, sizes: own }] of Object.entries(BENCHMARKS)) {
    console.log(`${name}  ${about} (--n ${own.join(', ')})`);
  }
  process.exit(positionals.length === 0 ? 0 : 2);
}
const rows: Measurement[] = [];
for (const n of sizes) {
  const measured = await benchmark.run(n);
  rows.push(...measured);
  for (const row of measured) console.log(values.json ? JSON.stringify(row) : asLine(row));
}
for (const line of benchmark.conclude?.(rows) ?? []) console.log(values.json ? JSON.stringify({ line }) : line);

function asLine(row: Measurement): string {
  const { case: name, n: size, oursMs, reference, referenceMs, ratio, hold, bound, least, unit = 'ms', equal } = row;
  const verdict =
    hold === null ? '' : `, ${ratio <= hold ? 'holds' : 'misses'} ${hold < 1 ? `1/${Math.round(1 / hold)}` : hold}`;
  const most = bound === undefined ? '' : oursMs <= bound ? ` (within ${bound})` : ` (OVER ${bound})`;
  const within = least === undefined ? most : oursMs >= least ? ` (at least ${least})` : ` (UNDER ${least})`;
  const against = `${reference} ${referenceMs.toFixed(2)} ${unit}, ratio ${ratio < 1 ? `1/${(1 / ratio).toFixed(1)}` : ratio.toFixed(1)}${verdict}`;
  return `${name} at ${size}: ${oursMs.toFixed(2)} ${unit}${within}; ${against}; results ${equal ? 'equal' : 'DIFFER'}`;
}
