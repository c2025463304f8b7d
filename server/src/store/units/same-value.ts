/** Whether two values of a column are the same: lists and objects by what is in them. */
export function isSameValue(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  const areObjects = typeof one === 'object' && typeof other === 'object' && one !== null && other !== null;
  return areObjects && JSON.stringify(one) === JSON.stringify(other);
}
