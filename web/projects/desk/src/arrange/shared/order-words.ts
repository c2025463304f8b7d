import type { Kind, OrderKey, OrderSubject } from '@plindo/core/structure';
import { directionWords, fieldAt, fieldOfSubject } from '@plindo/core/structure';

/** What a step of an order goes by, as it is called: "Price a night". */
export function subjectWords(by: OrderSubject, kinds: readonly Kind[]): string {
  if (by === 'shuffled') return 'Shuffled, the same all day';
  if (by === 'relevance') return 'Best match';
  if (by === 'distance') return 'Nearest';
  const key = fieldOfSubject(by) ?? '';
  return kinds.flatMap((kind) => fieldAt(kind, key)?.label ?? [])[0] ?? key;
}

/** The words for up and down. */
export function directionsOf(by: OrderSubject, kinds: readonly Kind[]): readonly [string, string] {
  if (by === '@featured') return ['last', 'first'];
  const key = fieldOfSubject(by) ?? '';
  const field = kinds.flatMap((kind) => fieldAt(kind, key) ?? [])[0];
  return field ? directionWords(field) : ['lowest first', 'highest first'];
}

/** An order as it is read: "Featured first, then Price a night, lowest first". */
export function orderWords(order: readonly OrderKey[], kinds: readonly Kind[]): string {
  const steps = order.map(({ by, direction }) => {
    const subject = subjectWords(by, kinds);
    const words = directionsOf(by, kinds)[direction === 'up' ? 0 : 1];
    if (by === 'shuffled' || by === 'relevance' || by === 'distance') return subject;
    return by === '@featured' ? `${subject} ${words}` : `${subject}, ${words}`;
  });
  return steps.join(', then ');
}
