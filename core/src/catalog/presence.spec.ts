import fc from 'fast-check';
import { Presence } from './presence.js';

const ROWS = 20;
const moment = fc.integer({ min: 0, max: 12 });
const change = fc.record({
  row: fc.integer({ min: 0, max: ROWS - 1 }),
  isCandidate: fc.boolean(),
  from: fc.option(moment),
  until: fc.option(moment),
});
type Change =
  Parameters<Presence['put']> extends [number, boolean, infer From, infer Until]
    ? { row: number; isCandidate: boolean; from: From; until: Until }
    : never;

function isThere({ isCandidate, from, until }: Change, at: number): boolean {
  return isCandidate && (from === null || from <= at) && (until === null || until > at);
}

describe('Presence', () => {
  it('is what the windows say at any moment, also backwards in time and after any changes', () => {
    const steps = fc.array(fc.oneof(change, moment), { maxLength: 60 });
    fc.assert(
      fc.property(steps, (all) => {
        const presence = new Presence(ROWS);
        const known = new Map<number, Change>();
        for (const step of all) {
          if (typeof step !== 'number') {
            presence.put(step.row, step.isCandidate, step.from, step.until);
            known.set(step.row, step);
            continue;
          }
          const expected = [...known.values()].filter((one) => isThere(one, step)).map(({ row }) => row);
          expect([...presence.at(step).toRows()]).toEqual(expected.sort((a, b) => a - b));
        }
      }),
    );
  });

  it('says when the next row comes or goes, and never later', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 15 }), moment, (changes, at) => {
        const presence = new Presence(ROWS);
        const known = new Map<number, Change>();
        for (const one of changes) {
          presence.put(one.row, one.isCandidate, one.from, one.until);
          known.set(one.row, one);
        }
        const next = presence.nextChange(at);
        const thereAt = (moment: number): string =>
          JSON.stringify([...known.values()].filter((one) => isThere(one, moment)).map(({ row }) => row));
        for (let later = at; later < Math.min(next, 14); later++) expect(thereAt(later)).toBe(thereAt(at));
      }),
    );
  });
});
