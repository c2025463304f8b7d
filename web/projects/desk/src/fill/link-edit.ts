import type { LinkEdit, LinkInput } from '@plindo/core/structure';

/** A change of a link from the listings that it leads to, to others. */
export function linkEdit(before: unknown, after: unknown): LinkEdit {
  const [was, now] = [before, after].map((list) => (list ?? []) as readonly LinkInput[]);
  return { was: was!.map(({ id }) => id), now: now!.map(onlyLink) };
}

function onlyLink({ id, note }: LinkInput): LinkInput {
  return { id, note };
}
