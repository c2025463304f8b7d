import type { Changed, FieldToLinkSketch, User } from '@plindo/core/contract';
import type { Connection, FieldToLinkReport, LinkIdea, Listing } from '@plindo/core/listings';
import { FieldToLink, NameIndex, NamingKind, namesOfListing, namingIssues, textsOf } from '@plindo/core/listings';
import type { Structure } from '@plindo/core/plans';
import { keysOfNewLink, withFieldAsLink, withLinkField } from '@plindo/core/plans';
import type { Field, Kind, Link } from '@plindo/core/structure';
import { checkKind, fieldAt, fieldByKey } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { refuseIfBreaking, refuseOutdated } from '../editing.js';

/** Kinds of more listings than that aren't looked through for what they name. */
const MOST_LOOKED_THROUGH = 50_000;

/** Where listings are read from: the store, or a unit of it. */
type Listings = (kindId: number) => AsyncIterable<Listing[]>;

/** A field of texts that name other listings becomes a link to them: "Town" of the clinics leads to the towns. */
export class FieldsToLinks {
  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
  ) {}

  /** What it comes to; nothing is changed. Refused by `request.not-found` and `kind.fields`. */
  async plan(kindId: number, sketch: FieldToLinkSketch): Promise<FieldToLinkReport> {
    const structure = await this.store.structure();
    const ends = endsIn(structure, kindId, sketch);
    const listings: Listings = (id) => this.store.listingsOf(id);
    const change = new FieldToLink(ends.field, await namesOf(ends, listings));
    for await (const stretch of listings(kindId)) for (const listing of stretch) change.apply(listing);
    return change.report;
  }

  /**
   * Fields of a kind that seem to name listings of another one, and fields of others that seem to name its own. Kinds
   * of more than 50,000 listings aren't looked through. Refused by `request.not-found`.
   */
  async ideas(kindId: number): Promise<LinkIdea[]> {
    const { kinds } = await this.store.structure();
    const own = kinds.find(({ id }) => id === kindId);
    if (!own) throw Refusal.of('request.not-found');
    const present = await this.naming(own);
    if (!present) return [];
    const ideas: LinkIdea[] = [];
    for (const kind of kinds) {
      const other = kind.id === kindId ? null : await this.naming(kind);
      if (other) ideas.push(...present.ideasAbout(other), ...other.ideasAbout(present));
    }
    return ideas;
  }

  private async naming(kind: Kind): Promise<NamingKind | null> {
    const naming = new NamingKind(kind);
    let count = 0;
    for await (const stretch of this.store.listingsOf(kind.id)) {
      count += stretch.length;
      if (count > MOST_LOOKED_THROUGH) return null;
      for (const listing of stretch) naming.add(listing);
    }
    return naming;
  }

  /**
   * Makes the link, connects what the texts name, and keeps the others aside, as one step. Refused by `request.not-found`,
   * `kind.fields`, `change.conflict`, and by what designs and rules say that use the field.
   */
  change(user: User, kindId: number, version: number, sketch: FieldToLinkSketch): Promise<Changed<FieldToLinkReport>> {
    return this.editing.change(user, async (unit) => {
      const before = unit.structure;
      const ends = endsIn(before, kindId, sketch);
      refuseOutdated(ends.kind, version, ends.kind.many);
      const listings: Listings = (id) => unit.listingsOf(id);
      const change = new FieldToLink(ends.field, await namesOf(ends, listings));
      const link = await makeLink(unit, ends, sketch, await namesSeveral(ends, listings));
      let order = 0;
      for await (const stretch of unit.listingsOf(kindId)) {
        const changed = stretch.map((listing) => ({ before: listing, ...change.apply(listing) }));
        const touched = changed.filter((one) => Object.hasOwn(one.before.values, ends.field.key));
        await unit.updateListings(
          touched.map((one) => ({ before: one.before, content: { ...one.before, ...one.content } })),
        );
        await unit.insertConnections(
          changed.flatMap(({ before: { id }, ids }) => ids.map((other) => connection(link, id, other, ++order))),
        );
      }
      refuseIfBreaking(unit, before);
      const { report } = change;
      const sentence = `Linked ${ends.kind.many} with ${ends.other.many} by ${ends.field.label}`;
      return { sentence, result: report };
    });
  }
}

interface Ends {
  readonly kind: Kind;
  readonly field: Field;
  readonly other: Kind;
  /** What names a listing of the other kind. */
  readonly naming: Field;
  readonly namedBy: string;
}

function endsIn(structure: Structure, kindId: number, sketch: FieldToLinkSketch): Ends {
  const [kind, other] = [structure.kind(kindId), structure.kind(sketch.otherKindId)];
  const field = kind && fieldByKey(kind, sketch.field);
  if (!field || !other) throw Refusal.of('request.not-found');
  const naming = fieldAt(other, sketch.namedBy);
  refuseIfAny([...namingIssues(field, sketch.field), ...namingIssues(naming, sketch.namedBy)]);
  return { kind, field, other, naming: naming!, namedBy: sketch.namedBy };
}

async function namesOf({ other, naming, namedBy }: Ends, listings: Listings): Promise<NameIndex> {
  const names = new NameIndex();
  for await (const stretch of listings(other.id)) {
    for (const listing of stretch) {
      for (const name of namesOfListing(listing, namedBy, naming)) names.add(listing.id, name);
    }
  }
  return names;
}

/** Whether any listing names more than one. */
async function namesSeveral({ kind, field }: Ends, listings: Listings): Promise<boolean> {
  if (field.type !== 'several-choices') return false;
  for await (const stretch of listings(kind.id)) {
    if (stretch.some(({ values }) => textsOf(values[field.key], field).length > 1)) return true;
  }
  return false;
}

async function makeLink(
  unit: Unit,
  { kind, field, other }: Ends,
  { otherLabel }: FieldToLinkSketch,
  isMany: boolean,
): Promise<Link> {
  const sketch = {
    a: { kindId: kind.id, label: field.label, many: isMany },
    b: { kindId: other.id, label: otherLabel, many: true },
  };
  const keys = keysOfNewLink(sketch, { a: kind, b: other });
  const link = await unit.insertLink({
    a: { kindId: kind.id, field: field.key, many: isMany },
    b: { kindId: other.id, field: keys.b, many: true },
    hasNotes: false,
  });
  const own = unit.kind(kind.id);
  await keep(unit, own, withFieldAsLink(own.definition, link));
  const theirs = unit.kind(other.id);
  await keep(unit, theirs, withLinkField(theirs.definition, link, 'b', otherLabel));
  return link;
}

async function keep(
  unit: Unit,
  kind: ReturnType<Unit['kind']>,
  definition: ReturnType<Unit['kind']>['definition'],
): Promise<void> {
  refuseIfAny(checkKind(unit.structure.complete(definition), unit.structure.kindsBesides(kind.id)));
  await unit.updateKind(kind, definition);
}

function connection(link: Link, a: number, b: number, order: number): Omit<Connection, 'id'> {
  return { linkId: link.id, a, b, note: '', aOrder: order, bOrder: order };
}
