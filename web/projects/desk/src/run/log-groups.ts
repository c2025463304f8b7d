import type { ChangeSummary } from '@plindo/core/contract';

/** Changes that belong together in the log, latest first; one alone is a group of one. */
export interface LogGroup {
  readonly changes: readonly [ChangeSummary, ...ChangeSummary[]];
  readonly sentence: string;
}

/** Fewer than that are told one by one. */
const FEWEST = 4;
/** After such a pause something else begins. */
const PAUSE_IN_MS = 5 * 60_000;
const NAMED = 3;

/** The log with one line for many changes of one sort that somebody made one right after the other. */
export function logGroups(changes: readonly ChangeSummary[]): LogGroup[] {
  const runs: [ChangeSummary, ...ChangeSummary[]][] = [];
  for (const change of changes) {
    const run = runs.at(-1);
    if (run && belongs(run.at(-1)!, change)) run.push(change);
    else runs.push([change]);
  }
  return runs.flatMap((run): LogGroup[] =>
    run.length < FEWEST
      ? run.map((change) => ({ changes: [change], sentence: change.sentence }))
      : [{ changes: run, sentence: sentenceOf(run) }],
  );
}

function belongs(later: ChangeSummary, earlier: ChangeSummary): boolean {
  const isSame = later.who === earlier.who && later.undone === earlier.undone;
  const pause = Date.parse(later.at) - Date.parse(earlier.at);
  return isSame && pause <= PAUSE_IN_MS && verbOf(later) === verbOf(earlier);
}

function verbOf({ sentence }: ChangeSummary): string {
  return sentence.split(' ', 1)[0]!;
}

/** "Added Petrel, Curlew, Tern and 21 more". */
function sentenceOf(run: readonly [ChangeSummary, ...ChangeSummary[]]): string {
  const verb = verbOf(run[0]);
  const named = run.slice(0, NAMED).map(({ sentence }) => sentence.slice(verb.length + 1));
  return `${verb} ${named.join(', ')} and ${run.length - NAMED} more`;
}
