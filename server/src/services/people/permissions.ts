import type { Role } from '@plindo/core/contract';
import { ROLES } from '@plindo/core/contract';
import type { ChangeEntry } from '@plindo/core/plans';
import { isStructural, onlyAddsCategories } from '@plindo/core/plans';
import type { SiteSettings } from '@plindo/core/structure';

/** Who may do what. Every route names one of these acts; there is no other place where roles are looked at. */
export const PERMISSIONS = {
  /** Also without being signed in. */
  visit: 'anyone',
  'use the desk': ROLES,
  'read listings': ['owner', 'editor'],
  'change listings': ['owner', 'editor'],
  'change structure': ['owner'],
  design: ['owner', 'editor'],
  'import files': ['owner'],
  'review submissions': ['owner', 'editor'],
  learn: ['owner', 'editor'],
  'see own submissions': ROLES,
  'undo changes': ['owner', 'editor'],
  'read mails': ['owner', 'editor'],
  'manage own access': ROLES,
  'manage people': ['owner'],
  'keep backups': ['owner'],
  'change the site': ['owner'],
} as const satisfies Record<string, 'anyone' | readonly Role[]>;

export type Act = keyof typeof PERMISSIONS;

/** What opens the door itself, or hands out what lies behind it: only who has signed in with a browser does it, no access token. */
export const WITH_SESSION: ReadonlySet<Act> = new Set<Act>(['manage own access', 'manage people', 'keep backups']);

/** What an owner can do who lacks the second step that owners need: turn it on, and go. */
const WITHOUT_STEP: ReadonlySet<Act> = new Set<Act>(['visit', 'use the desk', 'manage own access']);

/** Whether an act has to wait until somebody has turned on a second step. */
export function waitsForStep(act: Act, role: Role, hasSecondStep: boolean, site: SiteSettings): boolean {
  return site.ownersNeedStep === true && role === 'owner' && !hasSecondStep && !WITHOUT_STEP.has(act);
}

/** What an act is done to, where that matters. */
export interface Subject {
  /** An entry of the change log that is to be taken back: that takes what making it took. */
  readonly entry?: ChangeEntry;
}

/** Whether somebody, by their role (null for nobody who is signed in), may do something to something. */
export function isAllowed(role: Role | null, act: Act, { entry }: Subject = {}): boolean {
  const allowed: 'anyone' | readonly Role[] = PERMISSIONS[act];
  const isOpen = allowed === 'anyone' || (role !== null && allowed.includes(role));
  return isOpen && (!entry || isAllowed(role, actOf(entry)));
}

/** The act by which an entry came about, or would be taken back. */
function actOf(entry: ChangeEntry): Act {
  if (entry.entity === 'submission') return 'review submissions';
  if (!isStructural(entry)) return 'change listings';
  if (entry.entity === 'site') return 'change the site';
  if (entry.entity === 'design') return 'design';
  const isAddition =
    entry.entity === 'category-set' && entry.before && entry.after && onlyAddsCategories(entry.before, entry.after);
  // Whoever fills in a listing may add a category that it lacks.
  return isAddition ? 'change listings' : 'change structure';
}
