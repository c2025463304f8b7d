import fc from 'fast-check';
import type { HandPlace } from './hand-order.js';
import { planHandOrder } from './hand-order.js';

const placesOf = (...numbers: (number | null)[]): HandPlace[] =>
  numbers.map((handOrder, at) => ({ id: at + 1, handOrder }));

/** The ids in the order that the hand order gives: lower first, those without one last, equal ones by id. */
function shown(list: readonly HandPlace[]): number[] {
  return [...list]
    .sort((a, b) => (a.handOrder ?? Infinity) - (b.handOrder ?? Infinity) || a.id - b.id)
    .map(({ id }) => id);
}

describe('A listing that is dragged in the hand order', () => {
  it('gets a number between its new neighbours, and nobody else changes', () => {
    expect([...planHandOrder(placesOf(10, 20, 30), 3, 1)]).toEqual([[3, 15]]);
    expect([...planHandOrder(placesOf(1, 2, 30), 3, 1)]).toEqual([[3, 1.5]]);
    expect([...planHandOrder(placesOf(10, 20, 30), 3, 0)]).toEqual([[3, 0]]);
    expect([...planHandOrder(placesOf(10, 20, 30), 1, 2)]).toEqual([[1, 40]]);
    expect([...planHandOrder(placesOf(10, 20), 1, 0)]).toEqual([]);
  });

  it('takes those along that it shall stand behind and that have none yet', () => {
    expect([...planHandOrder(placesOf(null, null, null), 3, 1)]).toEqual([
      [1, 10],
      [3, 20],
    ]);
    expect([...planHandOrder(placesOf(5, null, null), 3, 0)]).toEqual([[3, 0]]);
  });

  it('has all numbered anew in steps of ten when there is no room', () => {
    expect([...planHandOrder(placesOf(1, 1, 1.0005, null), 3, 1)]).toEqual([
      [1, 10],
      [3, 20],
      [2, 30],
    ]);
  });

  it('stands where it was put, with all others in the order they had', () => {
    const number = fc.oneof(fc.constant(null), fc.integer({ min: -5, max: 12 }), fc.constantFrom(1.5, 1.001, 1.0005));
    fc.assert(
      fc.property(fc.array(number, { minLength: 1, maxLength: 12 }), fc.nat(), fc.nat(), (numbers, nth, to) => {
        const all = placesOf(...numbers);
        const list = shown(all).map((id) => all.find((place) => place.id === id)!);
        const { id } = list[nth % list.length]!;
        const position = to % list.length;
        const plan = planHandOrder(list, id, position);
        const after = list.map((place) => ({ ...place, handOrder: plan.get(place.id) ?? place.handOrder }));
        const others = list.filter((place) => place.id !== id).map((place) => place.id);
        expect(shown(after)).toEqual([...others.slice(0, position), id, ...others.slice(position)]);
      }),
    );
  });
});
