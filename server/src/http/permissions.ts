import type { Role } from '@plindo/core/contract';
import { ROLES } from '@plindo/core/contract';

/** Who may do what. Every route names one of these; there is no other place where roles are looked at. */
export const PERMISSIONS = {
  /** Also without being signed in. */
  visit: 'anyone',
  'use the desk': ROLES,
  'read listings': ['owner', 'editor'],
  'change listings': ['owner', 'editor'],
  'change structure': ['owner'],
  'import files': ['owner'],
  'undo changes': ['owner', 'editor'],
  'manage own access': ROLES,
  'change the site': ['owner'],
} as const satisfies Record<string, 'anyone' | readonly Role[]>;

export type Permission = keyof typeof PERMISSIONS;

export function isAllowed(permission: Permission, role: Role | null): boolean {
  const allowed: 'anyone' | readonly Role[] = PERMISSIONS[permission];
  return allowed === 'anyone' || (role !== null && allowed.includes(role));
}
