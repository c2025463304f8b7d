import { slugOf } from '@plindo/core/values';

/** Names for a kind from the name of its file: "airports-2024.csv" gives Airport, Airports and "airports". */
export function kindNames(fileName: string): { one: string; many: string; slug: string } {
  const words = fileName
    .replace(/\.\w{1,5}$/, '')
    .replace(/[_\-.\s]+/g, ' ')
    .replace(/\b\d[\d ]*$/, '')
    .trim();
  const base = words === '' ? 'Listings' : words.charAt(0).toUpperCase() + words.slice(1);
  const one = singular(base);
  const many = one === base ? `${base}s` : base;
  return { one, many, slug: slugOf(many) };
}

/** A guess at the singular of an English plural; the person sees it and can change it. */
function singular(word: string): string {
  if (/[^aeiou]ies$/i.test(word)) return word.replace(/ies$/i, 'y');
  if (/(sh|ch|x|ss)es$/i.test(word)) return word.slice(0, -2);
  return /[^su]s$/i.test(word) ? word.slice(0, -1) : word;
}
