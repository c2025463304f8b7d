/** A listing in the hand order; null for one that has no place of its own and stands after those that have. */
export interface HandPlace {
  readonly id: number;
  readonly handOrder: number | null;
}

const STEP = 10;
const MOST_DECIMALS = 3;

/**
 * The numbers to be written so that a listing stands at a position among the others: the list as it is shown, lower
 * numbers first and those without one last. Usually only the moved one gets a number, between its new neighbours; those
 * without one that it shall stand behind get one too; and where there is no room between two, all are numbered anew in
 * steps of ten. Numbers that were typed stay as they are wherever they can.
 */
export function planHandOrder(list: readonly HandPlace[], id: number, position: number): Map<number, number> {
  const moved = list.find((place) => place.id === id);
  if (!moved) return new Map();
  const others = list.filter((place) => place !== moved);
  const at = Math.min(Math.max(0, position), others.length);
  if (list.indexOf(moved) === at) return new Map();
  const numbers = numbersUpTo(others.slice(0, at));
  const before = at === 0 ? null : (numbers.get(others[at - 1]!.id) ?? others[at - 1]!.handOrder);
  const own = between(before, others[at]?.handOrder ?? null);
  if (own !== null) return numbers.set(id, own);
  const ordered = [...others.slice(0, at), moved, ...others.slice(at)];
  const numbered = ordered.filter((place, index) => index <= at || place.handOrder !== null);
  return new Map(
    numbered
      .map((place, index) => [place.id, (index + 1) * STEP, place.handOrder] as const)
      .filter(([, number, was]) => number !== was)
      .map(([other, number]) => [other, number]),
  );
}

/** Places in the order in which they are shown: by number, those without one last, alike ones by their listings' ids. */
export function inHandOrder(places: readonly HandPlace[]): HandPlace[] {
  const rank = ({ handOrder }: HandPlace): number => handOrder ?? Infinity;
  return [...places].sort((a, b) => (rank(a) === rank(b) ? a.id - b.id : rank(a) - rank(b)));
}

/** The position right behind a listing among the others; the first one where `after` is null, -1 where it isn't there. */
export function positionAfter(places: readonly HandPlace[], id: number, after: number | null): number {
  if (after === null) return 0;
  const at = places.filter((place) => place.id !== id).findIndex((place) => place.id === after);
  return at === -1 ? -1 : at + 1;
}

/** Numbers for those that have none, behind the last one that has. */
function numbersUpTo(places: readonly HandPlace[]): Map<number, number> {
  const numbers = new Map<number, number>();
  let last = 0;
  for (const { id, handOrder } of places) {
    last = handOrder ?? (Math.floor(last / STEP) + 1) * STEP;
    if (handOrder === null) numbers.set(id, last);
  }
  return numbers;
}

/** A short number between two; null when there is no room. */
function between(low: number | null, high: number | null): number | null {
  if (low === null && high === null) return STEP;
  if (low === null) return Math.ceil(high! / STEP) * STEP - STEP;
  if (high === null) return (Math.floor(low / STEP) + 1) * STEP;
  for (let decimals = 0; decimals <= MOST_DECIMALS; decimals++) {
    const middle = Number(((low + high) / 2).toFixed(decimals));
    if (middle > low && middle < high) return middle;
  }
  return null;
}
