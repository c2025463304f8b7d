import type { Changed, TypeChangePlan, User } from '@plindo/core/contract';
import { TypeChange, withProposedChoices } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import type { Field, KeyChange, Kind, KindById, KindDefinition } from '@plindo/core/structure';
import {
  checkKind,
  controlsFor,
  facetsWithKeyRenamed,
  fieldByKey,
  fieldType,
  selectionWithKeyRenamed,
  withCategories,
  withFieldReplaced,
  withKeyRenamed,
  withoutCategories,
  withoutLinks,
} from '@plindo/core/structure';
import { issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, Unit } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** Changes of a field that touch the values of all listings: another type, another key. */
export class FieldChanges {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** What another type would make of all values; nothing is changed. */
  async planTypeChange(kindId: number, field: Field): Promise<TypeChangePlan> {
    const { kind, from } = this.find(kindId, field.key);
    const to = await this.complete(kindId, from, field);
    this.check(replaced(kind, to), kindId);
    const change = new TypeChange(from, to, this.live.context());
    for await (const stretch of this.store.listingsOf(kindId)) for (const listing of stretch) change.apply(listing);
    return { field: to, report: change.report };
  }

  /** Changes the type and all values as one step; what cannot be converted is kept aside. */
  async changeType(user: User, kindId: number, version: number, field: Field): Promise<Changed<Kind>> {
    const { kind, from } = this.find(kindId, field.key);
    const to = await this.complete(kindId, from, field);
    const definition = replaced(kind, to);
    this.check(definition, kindId);
    const sentence = `Changed ${from.label} of ${kind.many} from ${fieldType(from.type).label} to ${fieldType(to.type).label}`;
    const { changeId, result } = await this.live.change({ userId: user.id, sentence }, async (unit) => {
      const before = await this.seen(unit, kindId, version);
      const change = new TypeChange(from, to, this.live.context());
      for (const listing of await unit.listingsOf(kindId)) {
        const after = change.apply(listing);
        if (after) await unit.updateListing(listing, { ...listing, ...after });
      }
      return unit.updateKind(before, withoutLinks(withoutCategories(definition)));
    });
    return { changeId, result };
  }

  /** Gives a field another key; what used it and all values follow. */
  async renameKey(user: User, kindId: number, version: number, from: string, to: string): Promise<Changed<Kind>> {
    const { kind, from: field } = this.find(kindId, from);
    const definition = withKeyRenamed(kind, from, to);
    this.check(definition, kindId);
    const head = { userId: user.id, sentence: `Gave ${field.label} of ${kind.many} the key “${to}”` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await this.seen(unit, kindId, version);
      for (const listing of await unit.listingsOf(kindId)) {
        const after = withValueMoved(listing, from, to);
        if (after !== listing) await unit.updateListing(listing, after);
      }
      await this.followKey(unit, { kindId, from, to });
      return unit.updateKind(before, withoutLinks(withoutCategories(definition)));
    });
    return { changeId, result };
  }

  /** Facets of other kinds and selections go on working when a field that they ask about gets another key. */
  private async followKey(unit: Unit, change: KeyChange): Promise<void> {
    const kindById: KindById = (id) => this.live.kind(id);
    for (const other of this.live.kinds()) {
      const facets = facetsWithKeyRenamed(other, change, kindById);
      const before = other.id === change.kindId ? null : await unit.kind(other.id);
      if (before && !isSame(facets, other.facets)) await unit.updateKind(before, { ...before, facets });
    }
    for (const selection of this.live.selections()) {
      const renamed = selectionWithKeyRenamed(selection, change, kindById);
      const before = isSame(renamed, selection) ? null : await unit.selection(selection.id);
      if (before) await unit.updateSelection(before, renamed);
    }
  }

  private find(kindId: number, key: string): { kind: Kind; from: Field } {
    const kind = this.live.kind(kindId);
    const from = kind && fieldByKey(kind, key);
    if (!from) throw Refusal.of('request.not-found');
    return { kind, from };
  }

  private async complete(kindId: number, from: Field, to: Field): Promise<Field> {
    const values: unknown[] = [];
    if (to.type === 'categories') {
      const [field] = withCategories({ fields: [to] }, this.live.categorySets()).fields;
      return field ?? to;
    }
    if (to.type === 'one-choice' || to.type === 'several-choices') {
      for await (const stretch of this.store.listingsOf(kindId)) {
        for (const listing of stretch) values.push(listing.values[from.key]);
      }
    }
    return withProposedChoices(to, from, values);
  }

  private check(definition: KindDefinition, id: number): void {
    const others = this.live.kinds().filter((kind) => kind.id !== id);
    refuseIfAny(checkKind(definition, others));
  }

  private async seen(unit: Unit, kindId: number, version: number): Promise<Kind> {
    const before = await unit.kind(kindId);
    if (!before) throw Refusal.of('request.not-found');
    if (before.version !== version) throw Refusal.of('change.conflict', { title: before.many });
    return before;
  }
}

function isSame(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

function replaced(kind: Kind, to: Field): KindDefinition {
  const before = fieldByKey(kind, to.key);
  if (before && (fieldType(before.type).control === 'none' || before.type === 'link' || to.type === 'link')) {
    const reason = `${before.label} holds no values of its own; delete it and add a new field.`;
    refuseIfAny([issue('kind.fields', { reason }, { field: 'fields' })]);
  }
  return withFieldReplaced(kind, to, (control) => controlsFor(to).includes(control));
}

function withValueMoved(listing: Listing, from: string, to: string): Listing {
  const { [from]: value, ...values } = listing.values;
  const { [from]: kept, ...aside } = listing.aside;
  if (value === undefined && kept === undefined) return listing;
  return {
    ...listing,
    values: value === undefined ? values : { ...values, [to]: value },
    aside: kept === undefined ? aside : { ...aside, [to]: kept },
  };
}
