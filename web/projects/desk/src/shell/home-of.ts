import type { User } from '@plindo/core/contract';

/** Where somebody begins: with the first thing that they may do. */
export function homeOf(user: User | null): string {
  if (user?.role === 'contributor') return '/me';
  return user?.role === 'editor' ? '/fill' : '/shape';
}
