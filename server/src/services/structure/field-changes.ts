import type { Structure } from '@plindo/core/plans';
import type { Changed, TypeChangePlan, User } from '@plindo/core/contract';
import { TypeChange, withProposedChoices } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import { followersOfKey, withTypeChanged, withValueMoved } from '@plindo/core/plans';
import type { CategorySet, Field, KeyChange, Kind, KindDefinition } from '@plindo/core/structure';
import { checkKind, fieldByKey, fieldType, withCategories, withKeyRenamed } from '@plindo/core/structure';
import { Refusal, issuesOf, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated, refuseIfBreaking } from '../editing.js';

/** Changes of a field that touch the values of all listings: another type, another key. */
export class FieldChanges {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  /** What another type would make of all values; nothing is changed. */
  async planTypeChange(kindId: number, sent: Field): Promise<TypeChangePlan> {
    const structure = await this.store.structure();
    const { kind, from } = find(structure, kindId, sent.key);
    const listings = (): AsyncIterable<Listing[]> => this.store.listingsOf(kindId);
    const to = await complete(sent, from, structure.sets, listings);
    check(typeChanged(kind, to), kindId, structure);
    const change = new TypeChange(from, to, this.live.context());
    for await (const stretch of listings()) for (const listing of stretch) change.apply(listing);
    return { field: to, report: change.report };
  }

  /** Changes the type and all values as one step; what cannot be converted is kept aside. */
  changeType(user: User, kindId: number, version: number, sent: Field): Promise<Changed<Kind>> {
    return this.editing.change(user, async (unit) => {
      const { kind, from } = find(unit.structure, kindId, sent.key);
      const to = await complete(sent, from, unit.structure.sets, () => unit.listingsOf(kindId));
      const definition = typeChanged(kind, to);
      check(definition, kindId, unit.structure);
      refuseOutdated(kind, version, kind.many);
      const change = new TypeChange(from, to, unit.context());
      const before = unit.structure;
      await unit.updateKind(unit.kind(kindId), definition);
      for await (const stretch of unit.listingsOf(kindId)) {
        for (const listing of stretch) {
          const after = change.apply(listing);
          if (after) await unit.updateListing(listing, { ...listing, ...after });
        }
      }
      refuseIfBreaking(unit, before);
      const [was, is] = [fieldType(from.type).label, fieldType(to.type).label];
      const sentence = `Changed ${from.label} of ${kind.many} from ${was} to ${is}`;
      return { sentence, result: kindIn(unit, kindId) };
    });
  }

  /** Gives a field another key; what used it and all values follow. */
  renameKey(user: User, kindId: number, version: number, from: string, to: string): Promise<Changed<Kind>> {
    return this.editing.change(user, async (unit) => {
      const { kind, from: field } = find(unit.structure, kindId, from);
      const definition = withKeyRenamed(kind, from, to);
      check(definition, kindId, unit.structure);
      refuseOutdated(kind, version, kind.many);
      await followKey(unit, { kindId, from, to });
      // Before its listings, whose addresses are made by it.
      await unit.updateKind(unit.kind(kindId), definition);
      for await (const stretch of unit.listingsOf(kindId)) {
        for (const listing of stretch) {
          const after = withValueMoved(listing, from, to);
          if (after !== listing) await unit.updateListing(listing, after);
        }
      }
      const sentence = `Gave ${field.label} of ${kind.many} the key “${to}”`;
      return { sentence, result: kindIn(unit, kindId) };
    });
  }
}

/** Facets of other kinds, selections and designs go on working when a field that they ask about gets another key. */
async function followKey(unit: Unit, change: KeyChange): Promise<void> {
  const { kinds, selections, designs } = followersOfKey(unit.structure, change);
  for (const { id, facets } of kinds) {
    const kind = unit.kind(id);
    await unit.updateKind(kind, { ...kind.definition, facets });
  }
  for (const { before, after } of selections) await unit.updateSelection(before, after);
  for (const { before, after } of designs) await unit.updateDesign(before, after);
}

function find(structure: Structure, kindId: number, key: string): { kind: Kind; from: Field } {
  const kind = structure.kind(kindId);
  const from = kind && fieldByKey(kind, key);
  if (!from) throw Refusal.of('request.not-found');
  return { kind, from };
}

/** A field with the categories of its set, or with choices made of the values that there are. */
async function complete(
  to: Field,
  from: Field,
  sets: readonly CategorySet[],
  listings: () => AsyncIterable<readonly Listing[]>,
): Promise<Field> {
  if (to.type === 'categories') return withCategories({ fields: [to] }, sets).fields[0] ?? to;
  const values: unknown[] = [];
  if (to.type === 'one-choice' || to.type === 'several-choices') {
    for await (const stretch of listings()) for (const listing of stretch) values.push(listing.values[from.key]);
  }
  return withProposedChoices(to, from, values);
}

function typeChanged(kind: Kind, to: Field): KindDefinition {
  const changed = withTypeChanged(kind, to);
  if (!changed.ok) refuseIfAny(issuesOf(changed));
  return changed.ok ? changed.value : kind;
}

function check(definition: KindDefinition, kindId: number, structure: Structure): void {
  refuseIfAny(checkKind(definition, structure.kindsBesides(kindId)));
}
