import type { Consequence, Deed, DeedName, Kind } from '@plindo/core/structure';
import { makeDeed } from '@plindo/core/structure';

/** Something that can happen to a listing that leaves, as people choose it. */
export interface OfferedDeed {
  /** Stands in the list of choices. */
  readonly name: string;
  readonly label: string;
  /** What it begins with for a kind; null where the kind has nothing for it. */
  begin(kind: Kind): Deed | null;
}

const deed = (act: DeedName, given: object = {}): Deed => makeDeed({ act, ...given });

/** All of them, the likeliest first. */
export const OFFERED_DEEDS: readonly OfferedDeed[] = [
  { name: 'hidden', label: 'hide it', begin: () => deed('set-status', { status: 'hidden' }) },
  {
    name: 'categorise',
    label: 'change its categories',
    begin({ fields }) {
      const field = fields.find(({ type }) => type === 'categories');
      return field ? deed('categorise', { field: field.key }) : null;
    },
  },
  { name: 'tell', label: 'tell people', begin: () => deed('tell') },
  { name: 'draft', label: 'make it a draft again', begin: () => deed('set-status', { status: 'draft' }) },
  { name: 'binned', label: 'put it into the bin', begin: () => deed('set-status', { status: 'binned' }) },
  { name: 'delete', label: 'delete it for good', begin: () => deed('delete') },
  { name: 'unfeature', label: 'feature it no longer', begin: () => deed('feature', { featured: false }) },
  { name: 'feature', label: 'feature it', begin: () => deed('feature', { featured: true }) },
  {
    name: 'set-field',
    label: 'set a field',
    begin: (kind) => (kind.fields.length > 0 ? deed('set-field', { field: kind.fields[0]!.key }) : null),
  },
];

/** The name of the choice that a deed is. */
export function nameOfDeed(done: Deed): string {
  if (done.act === 'set-status') return done.status;
  if (done.act === 'feature') return done.featured ? 'feature' : 'unfeature';
  return done.act;
}

/** A consequence that is added to a rule, with a key that no other one has. */
export function newConsequence(begun: Deed, others: readonly Consequence[]): Consequence {
  const taken = new Set(others.map(({ key }) => key));
  let number = others.length + 1;
  while (taken.has(`c${number}`)) number++;
  return { key: `c${number}`, days: 0, deed: begun };
}
