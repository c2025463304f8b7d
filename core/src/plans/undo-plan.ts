import { BLANK_CONTENT } from '../listings/index.js';
import { isSame } from '../values/index.js';
import type { ChangeEntry } from './change-entry.js';

/**
 * Whether a record is as a change left it. Its version and the moment of its last change don't count: undoing a later
 * change moves them on, and leads back to the same content all the same.
 */
function isAsLeft(now: ChangeEntry['after'], then: ChangeEntry['after']): boolean {
  return isSame(now && contentOf(now), then && contentOf(then));
}

/**
 * The entry that undoes another one, given the record as it is `now`; null when there is nothing left to undo. A record that the change
 * added is removed, whatever became of it since. Any other record is put back only if it is still as the change left it; otherwise the
 * answer is 'changed'.
 */
export function takenBack(entry: ChangeEntry, now: ChangeEntry['after']): ChangeEntry | 'changed' | null {
  const { entity, id, before, after } = entry;
  if (before === null) return now && ({ entity, id, before: now, after: null } as ChangeEntry);
  if (!isAsLeft(now, after)) return 'changed';
  const version = now && 'version' in now ? { version: now.version + 1 } : {};
  return { entity, id, before: now, after: { ...before, ...version } } as ChangeEntry;
}

function contentOf(record: object): object {
  // What was written before a part existed has none of it.
  const complete = 'title' in record ? { ...BLANK_CONTENT, ...record } : record;
  return { ...complete, version: null, changedAt: null };
}
