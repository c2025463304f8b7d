/**
 * Whether two values are the same: lists by what is in them in its order, objects by what is in them in any order.
 * Nothing (null, undefined, a property that isn't there) is the same as nothing.
 */
export function isSame(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (!isObject(one) || !isObject(other)) return (one ?? null) === (other ?? null);
  if (Array.isArray(one) !== Array.isArray(other)) return false;
  if (Array.isArray(one) && one.length !== other['length']) return false;
  for (const name in one) if (!isSame(one[name], other[name])) return false;
  for (const name in other) if (other[name] != null && one[name] == null) return false;
  return true;
}

function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}
