/**
 * Whether two values are the same: lists and objects by what is in them, with the properties in the same order, as
 * whatever is kept has them. Nothing, null or undefined, is the same as nothing.
 */
export function isSame(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  const [first, second] = [one ?? null, other ?? null];
  if (typeof first !== 'object' || typeof second !== 'object') return first === second;
  return JSON.stringify(first) === JSON.stringify(second);
}
