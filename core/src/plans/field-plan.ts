import type { Structure } from './structure.js';
import type { Design } from '../design/index.js';
import { designWithKeyRenamed } from '../design/index.js';
import type { Listing } from '../listings/index.js';
import type { Field, KeyChange, Kind, KindDefinition, Selection, SelectionDefinition } from '../structure/index.js';
import {
  controlsFor,
  facetsWithKeyRenamed,
  fieldByKey,
  fieldType,
  selectionWithKeyRenamed,
  withFieldReplaced,
} from '../structure/index.js';
import type { Result } from '../values/index.js';
import { isSame, issue, ok, refuse } from '../values/index.js';

/** A kind with a field of another type in the place of the one with its key. Refused by `kind.fields`. */
export function withTypeChanged(kind: Kind, to: Field): Result<KindDefinition> {
  const before = fieldByKey(kind, to.key);
  if (before && (fieldType(before.type).control === 'none' || before.type === 'link' || to.type === 'link')) {
    const reason = `${before.label} holds no values of its own; delete it and add a new field.`;
    return refuse(issue('kind.fields', { reason }, { field: 'fields' }));
  }
  return ok(withFieldReplaced(kind, to, (control) => controlsFor(to).includes(control)));
}

/** A listing with a value, and what is kept aside of it, under another key. */
export function withValueMoved(listing: Listing, from: string, to: string): Listing {
  const { [from]: value, ...values } = listing.values;
  const { [from]: kept, ...aside } = listing.aside;
  if (value === undefined && kept === undefined) return listing;
  return {
    ...listing,
    values: value === undefined ? values : { ...values, [to]: value },
    aside: kept === undefined ? aside : { ...aside, [to]: kept },
  };
}

/** What goes on working when a field gets another key: facets of other kinds, selections and designs that use it. */
export interface KeyFollowers {
  readonly kinds: readonly { readonly id: number; readonly facets: Kind['facets'] }[];
  readonly selections: readonly { readonly before: Selection; readonly after: SelectionDefinition }[];
  readonly designs: readonly { readonly before: Design; readonly after: Design }[];
}

export function followersOfKey(structure: Structure, change: KeyChange): KeyFollowers {
  const kindById = (id: number): Kind | undefined => structure.kind(id);
  const others = structure.kinds.filter(({ id }) => id !== change.kindId);
  return {
    kinds: others
      .map((kind) => ({ id: kind.id, facets: facetsWithKeyRenamed(kind, change, kindById), was: kind.facets }))
      .filter(({ facets, was }) => !isSame(facets, was)),
    selections: structure.selections
      .map((before) => ({ before, after: selectionWithKeyRenamed(before, change, kindById) }))
      .filter(({ before, after }) => !isSame(before, after)),
    designs: structure.allDesigns
      .map((before) => ({ before, after: designWithKeyRenamed(before, change, kindById) }))
      .filter(({ before, after }) => before !== after),
  };
}
