import type { TableFilter } from '@plindo/core/query';
import type { OrderSubject } from '@plindo/core/structure';
import { operatorWords, takesValue } from '@plindo/core/structure';
import type { TableColumn } from './table-columns';

/** What a filter on a column asks about: also of fields that nothing can be sorted by. */
export function filterSubject({ field, sort }: TableColumn): OrderSubject {
  return sort ?? `field:${field.key}`;
}

/** "Price a night is at most 40". */
export function filterSentence({ op, value }: TableFilter, { field }: TableColumn): string {
  const words = `${field.label} ${operatorWords(op, field)}`;
  if (!takesValue(op)) return words;
  const labels = new Map((field.settings.choices ?? []).map(({ key, label }) => [key, label]));
  const values = (Array.isArray(value) ? (value as readonly unknown[]) : [value]).map(String);
  return `${words} ${values.map((one) => labels.get(one) ?? one).join(op === 'between' ? ' and ' : ', ')}`;
}
