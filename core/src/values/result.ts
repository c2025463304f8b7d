import type { Issue } from './errors.js';

/** Either a value or the issue that stands in its way; nothing in `core` throws for bad input. */
export type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: Issue };

export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function refuse<T>(issue: Issue): Result<T> {
  return { ok: false, issue };
}
