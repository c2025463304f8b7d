/** Compares two texts; negative when `a` comes first. */
export type TextOrder = (a: string, b: string) => number;

/**
 * The order of texts in a locale: numeric-aware ("Quay 2" before "Quay 10"), without regard to case and accents first,
 * with regard to them to break a tie. ICU's rules, through `Intl.Collator`.
 */
export function textOrder(locale: string): TextOrder {
  const rough = new Intl.Collator(locale, { numeric: true, sensitivity: 'base', usage: 'sort' });
  const fine = new Intl.Collator(locale, { numeric: true, sensitivity: 'variant', usage: 'sort' });
  return (a, b) => rough.compare(a, b) || fine.compare(a, b);
}
