import { spawn } from 'node:child_process';
import type { Benchmark, Measurement } from './measure.js';

const SEED = 77;
/** Whoever waits beside such a request waits no longer. */
const SLOWEST_IN_MS = 2000;

interface Report {
  readonly sent: number;
  readonly byStatus: Readonly<Record<string, number>>;
  readonly slowestMs: number;
  readonly slowest: string;
  readonly faults: readonly unknown[];
}

/** Requests that mean no good, many more than the tests send. */
export const hostileBench: Benchmark = {
  about: 'requests that mean no good: answers that fail or say nothing (none may), and the slowest',
  sizes: [4000],
  async run(n) {
    const reports = JSON.parse(await printed(n)) as Record<string, Report>;
    return Object.entries(reports).flatMap(([sort, { sent, byStatus, slowestMs, slowest, faults }]): Measurement[] => {
      const name = sort === 'changed' ? 'good requests with one thing changed' : 'bodies by the document, changed';
      const [ok, refused] = ['2', '4'].map((first) => countOf(byStatus, first));
      const base = { n: sent, ratio: faults.length / sent, hold: 0, equal: faults.length === 0 };
      for (const fault of faults) console.log(JSON.stringify(fault));
      if (slowestMs > SLOWEST_IN_MS) console.log(slowest);
      return [
        {
          ...base,
          case: `${name}: ${ok} taken, ${refused} refused, failures`,
          ...counts(faults.length, sent),
          bound: 0,
        },
        {
          ...base,
          case: `${name}: the slowest answer`,
          ...{ oursMs: slowestMs, reference: 'the most', referenceMs: SLOWEST_IN_MS, bound: SLOWEST_IN_MS },
          ...{ ratio: slowestMs / SLOWEST_IN_MS, hold: 1 },
        },
      ];
    });
  },
};

function counts(failures: number, sent: number): Pick<Measurement, 'oursMs' | 'reference' | 'referenceMs' | 'unit'> {
  return { oursMs: failures, reference: 'all that were sent', referenceMs: sent, unit: '' };
}

function countOf(byStatus: Report['byStatus'], first: string): number {
  const own = Object.entries(byStatus).filter(([status]) => status.startsWith(first));
  return own.reduce((sum, [, many]) => sum + many, 0);
}

/** What the campaigns, in a process of their own, print. */
function printed(n: number): Promise<string> {
  const program = 'server/dist/testing/hostile-run.js';
  const child = spawn(process.execPath, [program, '--n', String(n), '--seed', String(SEED)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  child.stdout.on('data', (part: Buffer) => (text += part.toString()));
  return new Promise((resolve, reject) => {
    child.once('close', (code) => (code === 0 ? resolve(text) : reject(new Error(`The campaign ended with ${code}.`))));
  });
}
