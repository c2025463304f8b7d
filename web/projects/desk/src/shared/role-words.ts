import type { Role } from '@plindo/core/contract';

/** What each role is called, and what whoever has it may do. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly label: string; readonly may: string }>> = {
  owner: { label: 'Owner', may: 'everything, people and the structure too.' },
  editor: { label: 'Editor', may: 'enter and correct listings, arrange cards and pages, read the outbox.' },
  contributor: { label: 'Contributor', may: 'send in listings of their own; nothing else is shown.' },
};
