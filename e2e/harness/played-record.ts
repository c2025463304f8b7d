import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { TestServer } from './server.js';

const HALF_AN_HOUR_IN_MS = 30 * 60_000;

/** A line of what the stand-in for visitors wrote down, as far as it is counted here. */
export interface Played {
  readonly at: number;
  readonly day: number;
  readonly visitor: number;
  readonly isRobot: boolean;
  readonly refuses: boolean;
  readonly from: string | null;
  readonly path: string;
  readonly listing?: number;
  readonly list?: string;
  readonly chosen?: readonly (readonly [facet: string, value: string])[];
  readonly sort?: string;
  readonly words?: string;
  readonly isTyping?: boolean;
}

/** The record of the visitors that were played into a demo, of those whom anybody may count. */
export function playedRecord({ folder }: TestServer): Played[] {
  const lines = readFileSync(join(folder, 'visitors.jsonl'), 'utf8').trim().split('\n');
  return lines.map((line) => JSON.parse(line) as Played).filter(({ isRobot, refuses }) => !isRobot && !refuses);
}

/** How often each thing happened in some days, both in: for the same visitor once in half an hour. */
export function countOver(
  record: readonly Played[],
  { from, to }: { readonly from: number; readonly to: number },
  thingsOf: (one: Played) => readonly string[],
): Record<string, number> {
  const counts: Record<string, number> = {};
  const countedAt = new Map<string, number>();
  for (const one of record) {
    if (one.day < from || one.day > to) continue;
    for (const thing of thingsOf(one)) {
      const whose = `${one.day} ${one.visitor} ${thing}`;
      const before = countedAt.get(whose);
      if (before !== undefined && one.at - before < HALF_AN_HOUR_IN_MS) continue;
      countedAt.set(whose, one.at);
      counts[thing] = (counts[thing] ?? 0) + 1;
    }
  }
  return counts;
}
