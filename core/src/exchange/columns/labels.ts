/** "lift_capacity" becomes "Lift capacity"; "IATA" stays. */
export function labelOf(header: string): string {
  const words = header
    .replaceAll(/[_\s]+/g, ' ')
    .trim()
    .slice(0, 80);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
