/**
 * The state that a page's form is in, as the readable part of an address: values of one name joined by commas,
 * the two ends of a range as "10..40", empty parts left out.
 */
export function searchOfForm(entries: Iterable<readonly [string, string]>): string {
  const parts = new Map<string, string[]>();
  const ranges = new Map<string, [string, string]>();
  for (const [name, value] of entries) {
    const end = /^(.+)-(from|to)$/.exec(name);
    if (end?.[1]) {
      const range = ranges.get(end[1]) ?? ['', ''];
      range[end[2] === 'from' ? 0 : 1] = value;
      ranges.set(end[1], range);
      parts.set(end[1], range[0] + range[1] === '' ? [] : [range.join('..')]);
    } else if (value !== '') {
      parts.set(name, [...(parts.get(name) ?? []), value]);
    }
  }
  return [...parts]
    .filter(([, values]) => values.length > 0)
    .map(([name, values]) => `${encode(name)}=${values.map(encode).join(',')}`)
    .join('&');
}

function encode(text: string): string {
  return encodeURIComponent(text).replaceAll('%20', '+').replaceAll('%3A', ':');
}
