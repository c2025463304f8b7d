import type { Issue } from './errors.js';

/** Either a value or the issue that stands in its way; nothing in `core` throws for bad input. */
export type Result<T> = { readonly ok: true; readonly value: T } | Refused;

/** What stands in the way, first things first; a value made of parts can have several. */
export interface Refused {
  readonly ok: false;
  readonly issue: Issue;
  readonly more?: readonly Issue[];
}

export function ok<T>(value: T): Result<T> {
  return { ok: true, value };
}

export function refuse<T>(issue: Issue, more: readonly Issue[] = []): Result<T> {
  return more.length === 0 ? { ok: false, issue } : { ok: false, issue, more };
}

/** Every issue of a refusal. */
export function issuesOf({ issue, more = [] }: Refused): readonly Issue[] {
  return [issue, ...more];
}
