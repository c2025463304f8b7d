/** `./plindo bench NAME [--n N] [--json]`: runs one benchmark, or lists them. */
import { parseArgs } from 'node:util';
import { catalogBench } from './catalog.js';
import { importBench } from './import.js';
import type { Benchmark, Measurement } from './measure.js';
import { workbenchBench } from './workbench.js';

const BENCHMARKS: Readonly<Record<string, Benchmark>> = {
  catalog: catalogBench,
  import: importBench,
  workbench: workbenchBench,
};

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { n: { type: 'string' }, json: { type: 'boolean', default: false } },
});
const benchmark = BENCHMARKS[positionals[0] ?? ''];
const n = values.n === undefined ? benchmark?.usualN : Number(values.n);

if (!benchmark || !n || !Number.isInteger(n) || n < 1) {
  for (const [name, { about, usualN }] of Object.entries(BENCHMARKS)) console.log(`${name}  ${about} (--n ${usualN})`);
  process.exit(positionals.length === 0 ? 0 : 2);
}
for (const row of await benchmark.run(n)) console.log(values.json ? JSON.stringify(row) : asLine(row));

function asLine(row: Measurement): string {
  const { case: name, n: size, oursMs, reference, referenceMs, ratio, hold, bound, unit = 'ms', equal } = row;
  const verdict =
    hold === null ? '' : ratio <= hold ? `, holds 1/${Math.round(1 / hold)}` : `, misses 1/${Math.round(1 / hold)}`;
  const within = bound === undefined ? '' : oursMs <= bound ? ` (within ${bound})` : ` (OVER ${bound})`;
  const against = `${reference} ${referenceMs.toFixed(2)} ${unit}, ratio ${ratio < 1 ? `1/${(1 / ratio).toFixed(1)}` : ratio.toFixed(1)}${verdict}`;
  return `${name} at ${size}: ${oursMs.toFixed(2)} ${unit}${within}; ${against}; results ${equal ? 'equal' : 'DIFFER'}`;
}
