import type { AddressesPlan, Changed, KindSummary, User } from '@plindo/core/contract';
import {
  AddressPlan,
  changedKindIssues,
  hasOtherAddresses,
  newKindIssues,
  sentenceOfKindChange,
} from '@plindo/core/plans';
import type { AddressPattern, Kind, KindDefinition } from '@plindo/core/structure';
import { checkAddresses, linksOfKind, readExpiryRule } from '@plindo/core/structure';
import { Refusal, refusalOf, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated, refuseIfBreaking } from '../editing.js';
import { removeLink } from './links.js';
import { readdress } from './readdress.js';

/** Making and changing kinds. */
export class Kinds {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  summaries(): KindSummary[] {
    return this.live.kinds().map((kind) => ({ kind, counts: this.live.countsOf(kind.id) }));
  }

  /** A kind with how many listings it has. Refused by `request.not-found`. */
  summary(id: number): KindSummary {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return { kind, counts: this.live.countsOf(id) };
  }

  add(user: User | null, sent: KindDefinition): Promise<Changed<Kind>> {
    return this.editing.change(user, async (unit) => {
      const definition = withReadRule(unit, unit.structure.complete(sent));
      refuseIfAny(newKindIssues(definition, unit.structure));
      const { id } = await unit.insertKind(definition);
      return { sentence: `Added the kind ${definition.many}`, result: kindIn(unit, id) };
    });
  }

  /** Puts a new definition in place of the old one; `version` is the one that the editor has seen. */
  update(user: User | null, id: number, version: number, sent: KindDefinition): Promise<Changed<Kind>> {
    return this.editing.change(user, async (unit) => {
      const before = kindIn(unit, id);
      const definition = withReadRule(unit, unit.structure.complete(sent));
      refuseIfAny(changedKindIssues(before, definition, unit.structure, await unit.hasListings(id)));
      refuseOutdated(before, version, before.many);
      const structure = unit.structure;
      await unit.updateKind(unit.kind(id), definition);
      if (hasOtherAddresses(before, definition)) await readdress(unit, id);
      refuseIfBreaking(unit, structure);
      return { sentence: sentenceOfKindChange(before, definition), result: kindIn(unit, id) };
    });
  }

  /**
   * What another pattern makes of the addresses of all listings; nothing is changed. Refused by `request.not-found`.
   */
  async planAddresses(id: number, addressPattern: AddressPattern | null): Promise<AddressesPlan> {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    refuseIfAny(checkAddresses({ ...kind, addressPattern }));
    const plan = new AddressPlan({ ...kind, addressPattern }, this.live.context().zone);
    for await (const stretch of this.store.listingsOf(id)) for (const listing of stretch) plan.take(listing);
    return plan.report();
  }

  /** Deletes a kind with all its listings; they come back with it when that is undone. */
  remove(user: User, id: number): Promise<Changed<{ listings: number }>> {
    return this.editing.change(user, async (unit) => {
      const { many } = kindIn(unit, id);
      const before = unit.structure;
      const listings = await unit.countListings(id);
      await removeContents(unit, id);
      await unit.remove('kind', id, unit.kind(id));
      refuseIfBreaking(unit, before);
      return { sentence: `Deleted the kind ${many} with its listings`, result: { listings } };
    });
  }
}

/** A definition with the values that its expiry rule sets as they are kept; refused where one can't be read. */
function withReadRule(unit: Unit, definition: KindDefinition): KindDefinition {
  const read = readExpiryRule(definition, unit.context());
  if (!read.ok) throw refusalOf(read);
  return { ...definition, expiry: read.value };
}

/** Deletes the designs and the links of a kind, inside a unit; its listings go with it when it goes. */
export async function removeContents(unit: Unit, kindId: number): Promise<void> {
  const designs = unit.structure.allDesigns.filter((design) => design.kindId === kindId);
  for (const design of designs) await unit.remove('design', design.id, design);
  for (const link of linksOfKind({ id: kindId }, unit.structure.links)) await removeLink(unit, link, kindId);
}
