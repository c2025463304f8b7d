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
