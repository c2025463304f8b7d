import type { Conventions, FoundConventions } from '@plindo/core/exchange';

/** A manner of writing numbers and dates, with where it is usual (common practice; CLDR has the marks of each locale). */
export interface Manner extends Conventions {
  readonly key: string;
  readonly sample: string;
  readonly places: string;
}

export const MANNERS: readonly Manner[] = [
  {
    key: 'comma-dmy',
    decimal: ',',
    dateOrder: 'dmy',
    sample: '1.234,5 and 31.12.2024',
    places: 'Germany, France, Spain',
  },
  { key: 'point-dmy', decimal: '.', dateOrder: 'dmy', sample: '1,234.5 and 31/12/2024', places: 'Britain, Ireland' },
  { key: 'point-mdy', decimal: '.', dateOrder: 'mdy', sample: '1,234.5 and 12/31/2024', places: 'the United States' },
  { key: 'comma-ymd', decimal: ',', dateOrder: 'ymd', sample: '1 234,5 and 24-12-31', places: 'Sweden, Hungary' },
  { key: 'point-ymd', decimal: '.', dateOrder: 'ymd', sample: '1,234.5 and 24/12/31', places: 'Japan, China' },
  {
    key: 'comma-mdy',
    decimal: ',',
    dateOrder: 'mdy',
    sample: '1.234,5 and 12/31/2024',
    places: 'files of two countries',
  },
];

export function mannerOf({ decimal, dateOrder }: Conventions): Manner {
  return MANNERS.find((one) => one.decimal === decimal && one.dateOrder === dateOrder)!;
}

/** Where a file may come from, by its marks and by what stands between its thousands. */
export function placeOf({ decimal, dateOrder, group }: FoundConventions): string {
  if (group === '’' || group === "'") return 'Switzerland';
  if (decimal === ',' && dateOrder === 'dmy') return /\s/.test(group) ? 'France' : 'Germany';
  if (decimal === ',') return dateOrder === 'ymd' ? 'Sweden' : mannerOf({ decimal, dateOrder }).places;
  if (dateOrder === 'dmy') return 'Britain';
  return dateOrder === 'mdy' ? 'the United States' : 'Japan';
}
