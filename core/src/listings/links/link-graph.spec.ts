import fc from 'fast-check';
import type { Link, LinkEdit, LinkSide } from '../../structure/index.js';
import type { Connection } from './link-graph.js';
import { LinkGraph, planLinkEdit } from './link-graph.js';

function makeLink(aMany: boolean, bMany: boolean): Link {
  const a = { kindId: 1, field: 'harbours', many: aMany };
  const b = { kindId: 2, field: 'yards', many: bMany };
  return { id: 1, version: 1, a, b, hasNotes: true };
}

/** A graph that carries plans out as the store does. */
class Books {
  readonly graph = new LinkGraph();
  private last = 0;

  constructor(private readonly link: Link) {}

  edit(
    side: LinkSide,
    listing: number,
    now: readonly (number | [number, string])[],
    was: LinkEdit['was'] = null,
  ): readonly Connection[] {
    const entries = now.map((one) => (Array.isArray(one) ? { id: one[0], note: one[1] } : { id: one, note: '' }));
    const plan = planLinkEdit(this.graph, this.link, { side, listing, edit: { was, now: entries } });
    for (const { id } of plan.remove) this.graph.remove(id);
    for (const { after } of plan.update) this.graph.put(after);
    for (const made of plan.insert) this.graph.put({ ...made, id: ++this.last });
    return plan.moved;
  }

  seen(side: LinkSide, listing: number): number[] {
    return this.graph.of(1, side, listing).map((connection) => (side === 'a' ? connection.b : connection.a));
  }
}

describe('A link', () => {
  it('is seen from both ends, each in its own order', () => {
    const books = new Books(makeLink(true, true));
    books.edit('a', 1, [21, 22]);
    books.edit('a', 2, [22, 21]);
    expect(books.seen('b', 22)).toEqual([1, 2]);
    books.edit('b', 22, [2, 1]);
    expect([books.seen('b', 22), books.seen('a', 1), books.seen('a', 2)]).toEqual([
      [2, 1],
      [21, 22],
      [22, 21],
    ]);
    books.edit('b', 21, [[2, 'Tuesdays only']]);
    expect([books.seen('a', 1), books.graph.of(1, 'a', 2)[1]?.note]).toEqual([[22], 'Tuesdays only']);
  });

  it('moves what an end that holds only one is taken by, and says so', () => {
    const books = new Books(makeLink(true, false));
    books.edit('a', 1, [21, 22]);
    const moved = books.edit('a', 2, [22]);
    expect(moved.map(({ a, b }) => [a, b])).toEqual([[1, 22]]);
    expect([books.seen('a', 1), books.seen('b', 22)]).toEqual([[21], [2]]);
    books.edit('b', 21, [2]);
    expect([books.seen('a', 1), books.seen('a', 2)]).toEqual([[], [22, 21]]);
  });

  it('keeps what others connected, and leaves away what they disconnected, while somebody edits', () => {
    const books = new Books(makeLink(true, true));
    books.edit('a', 1, [21, 22]);
    books.edit('b', 23, [1]);
    books.edit('b', 21, []);
    books.edit('a', 1, [21, 22, 24], [21, 22]);
    expect(books.seen('a', 1)).toEqual([22, 24, 23]);
    books.edit('a', 1, [24], [22, 24, 23]);
    expect(books.seen('a', 1)).toEqual([24]);
  });

  it('never lets its two ends disagree, nor an end hold more than it may, whatever is edited', () => {
    const edits = fc.array(
      fc.record({
        side: fc.constantFrom<LinkSide>('a', 'b'),
        listing: fc.integer({ min: 1, max: 5 }),
        now: fc.uniqueArray(fc.integer({ min: 1, max: 5 }), { maxLength: 4 }),
        was: fc.option(fc.uniqueArray(fc.integer({ min: 1, max: 5 }), { maxLength: 4 })),
      }),
      { maxLength: 25 },
    );
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), edits, (aMany, bMany, steps) => {
        const link = makeLink(aMany, bMany);
        const books = new Books(link);
        for (const { side, listing, now, was } of steps) {
          books.edit(side, listing, link[side].many ? now : now.slice(0, 1), was);
          for (let one = 1; one <= 5; one++) {
            for (const [own, other] of [
              ['a', 'b'],
              ['b', 'a'],
            ] as const) {
              const seen = books.seen(own, one);
              expect(new Set(seen).size).toBe(seen.length);
              if (!link[own].many) expect(seen.length).toBeLessThanOrEqual(1);
              for (const found of seen) expect(books.seen(other, found)).toContain(one);
            }
          }
        }
      }),
    );
  });
});
