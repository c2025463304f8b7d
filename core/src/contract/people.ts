import type { Role, User } from './api.js';
import type { OwnSubmission } from './submissions.js';

/** Somebody who works here, as the owner sees them. Moments are ISO 8601. */
export interface PersonSummary extends User {
  /** Whether they may not sign in any more. */
  readonly isOff: boolean;
  readonly hasSecondStep: boolean;
  /** When they were here last; null for never. */
  readonly seenAt: string | null;
}

/** Somebody who was invited and hasn't come yet. */
export interface InvitationSummary {
  readonly id: number;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  /** Who invited them. */
  readonly by: string;
  readonly expiresAt: string;
}

export interface People {
  readonly people: readonly PersonSummary[];
  readonly invitations: readonly InvitationSummary[];
}

/** A link that works once. Only this answer has it: the store keeps a hash. */
export interface OneTimeLink {
  readonly link: string;
  readonly expiresAt: string;
  /** Whether a mail with it is on its way. */
  readonly isMailed: boolean;
}

/** What somebody is told who opens an invitation. */
export interface InvitedTo {
  readonly site: string;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

/** Where somebody is signed in. */
export interface SessionSummary {
  /** Names it among the sessions of its user; no secret. */
  readonly id: string;
  readonly browser: string;
  readonly address: string;
  readonly createdAt: string;
  readonly usedAt: string;
  /** Whether this is the session that asks. */
  readonly isThis: boolean;
}

/** What somebody sees of their own access. */
export interface OwnAccess {
  readonly user: User;
  readonly hasSecondStep: boolean;
  /** How many of the codes for whoever has lost their telephone are left. */
  readonly spareCodes: number;
  readonly sessions: readonly SessionSummary[];
}

/** All that is kept of somebody. Moments are ISO 8601. */
export interface OwnData {
  readonly user: User;
  readonly hasSecondStep: boolean;
  readonly sessions: readonly SessionSummary[];
  readonly tokens: readonly TokenSummary[];
  readonly door: readonly Omit<DoorEvent, 'who'>[];
  readonly changes: readonly { readonly at: string; readonly sentence: string }[];
  readonly submissions: readonly OwnSubmission[];
}

/** What a second step begins with. */
export interface SecondStepStart {
  /** To be typed into a telephone, in base 32. */
  readonly secret: string;
  /** The same for programs that make codes (otpauth). */
  readonly uri: string;
  /** The same as a picture to be photographed, SVG. */
  readonly picture: string;
}

/** An access token; `expiresAt` is null for one without an end. */
export interface TokenSummary {
  readonly id: number;
  readonly name: string;
  readonly createdAt: string;
  /** ISO 8601; null for never. */
  readonly lastUsedAt: string | null;
  readonly readOnly: boolean;
  readonly expiresAt: string | null;
}

/** Something that happened to somebody's access: a sign-in, a refusal, a change. */
export const DOOR_EVENTS = [
  ...['signed-in', 'refused', 'locked', 'signed-out-everywhere', 'forbidden'],
  ...[
    'owner-made',
    'invited',
    'invitation-withdrawn',
    'invitation-taken',
    'role-changed',
    'switched-off',
    'switched-on',
  ],
  ...['left', 'own-details', 'password-changed', 'password-link', 'step-on', 'step-off', 'step-spare'],
  ...['token-made', 'token-withdrawn', 'erased'],
] as const;
export type DoorEventName = (typeof DOOR_EVENTS)[number];

export interface DoorEvent {
  readonly at: string;
  readonly what: DoorEventName;
  /** Who did it, as they are called now; the e-mail address that was given for somebody who isn't known. */
  readonly who: string;
  /** The network address from where. */
  readonly address: string;
  /** What it was about; '' for nothing more. */
  readonly about: string;
}
