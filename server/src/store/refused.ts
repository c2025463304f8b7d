import { Refusal } from '@plindo/core/values';
import type { Dialect } from './dialect.js';

/**
 * The refusal that an error of the database comes to; null for one that is none. Plans refuse what is taken with a
 * sentence of its own; a constraint speaks up only where two writers come through all the same.
 */
export function refusedBy(error: unknown, dialect: Dialect): Refusal | null {
  if (error instanceof Refusal) return error;
  return dialect.isRefused(error) ? Refusal.of('change.clash') : null;
}
