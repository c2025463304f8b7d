import type { Changed, DesignSample, DesignSamples, DesignVersion, User } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import { AwkwardFinder, cardsOfKind, looksOf } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import type { UnplacedDesign } from '@plindo/core/plans';
import { DESIGN_WORDS, designIssues } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import { completeDesign } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { refuseIfBreaking, refuseOutdated } from '../editing.js';

/** So many listings are looked through for awkward ones. */
const MOST_LOOKED_AT = 20_000;
/** So many linked listings go with samples. */
const MOST_LINKED = 200;
const PLAIN_SAMPLES = 3;

/** Designs of what visitors see: keeping them, and what to try them with. */
export class Designs {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  all(): readonly Design[] {
    return this.live.designs();
  }

  add(user: User | null, sketch: UnplacedDesign): Promise<Changed<Design>> {
    return this.editing.change(user, async (unit) => {
      refuseIfAny(designIssues(sketch, null, unit.structure, unit.context()));
      const last = Math.max(0, ...unit.structure.designs.map(({ position }) => position));
      const result = await unit.insertDesign({ ...sketch, position: last + 1 });
      return { sentence: `Added the ${DESIGN_WORDS[sketch.type]} ${sketch.definition.name}`, result };
    });
  }

  /** Changes a design as it was seen at a version. Refused by `request.not-found` and `change.conflict`. */
  update(
    user: User,
    id: number,
    version: number,
    sent: Pick<UnplacedDesign, 'type' | 'definition'>,
  ): Promise<Changed<Design>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      const { definition } = sent;
      if (sent.type !== before.type) throw Refusal.of('request.not-found');
      const changed = { ...before, definition } as UnplacedDesign;
      refuseIfAny(designIssues(changed, id, unit.structure, unit.context()));
      refuseOutdated(before, version, before.definition.name);
      const result = await unit.updateDesign(before, { definition });
      return { sentence: `Changed the ${DESIGN_WORDS[before.type]} ${definition.name}`, result };
    });
  }

  /**
   * The states that a design had, the latest first: as each change left it, with who made it when. Refused by
   * `request.not-found`.
   */
  async versions(id: number): Promise<DesignVersion[]> {
    if (!this.live.designs().some((design) => design.id === id)) throw Refusal.of('request.not-found');
    const [history, users] = await Promise.all([this.store.log.historyOfDesign(id), this.store.accounts.users()]);
    const names = new Map(users.map((user) => [user.id, user.name]));
    return history.flatMap(({ change: { at, userId, sentence }, entries }) => {
      const left = entries.find((entry) => entry.entity === 'design')?.after as Design | null | undefined;
      if (!left) return [];
      const { version, definition } = completeDesign(left);
      return [
        { version, at: new Date(at).toISOString(), who: names.get(userId ?? 0) ?? 'Plindo', sentence, definition },
      ];
    });
  }

  remove(user: User, id: number): Promise<Changed<null>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      const structure = unit.structure;
      await unit.remove('design', id, before);
      // Without the design, its draft would belong to nothing.
      for (const draft of structure.drafts.filter((one) => one.draft?.of === id))
        await unit.remove('design', draft.id, draft);
      refuseIfBreaking(unit, structure);
      return { sentence: `Deleted the ${DESIGN_WORDS[before.type]} ${before.definition.name}`, result: null };
    });
  }

  /**
   * Makes a card the one that listings of its kind have where no other was chosen, or a look that of the site. Refused
   * by `request.not-found`.
   */
  makeMain(user: User, id: number): Promise<Changed<Design>> {
    return this.editing.change(user, async (unit) => {
      const chosen = existing(unit, id);
      if (chosen.type === 'page') throw Refusal.of('request.not-found');
      const { designs } = unit.structure;
      const likes = chosen.type === 'card' ? cardsOfKind(chosen.kindId ?? 0, designs) : looksOf(designs);
      const result = await unit.updateDesign(chosen, { position: (likes[0]?.position ?? 0) - 1 });
      return { sentence: `Made ${chosen.definition.name} the main ${DESIGN_WORDS[chosen.type]}`, result };
    });
  }

  /** Lets designs stand in an order, in the places that they have among the others. */
  order(user: User, ids: readonly number[]): Promise<Changed<null>> {
    return this.editing.change(user, async (unit) => {
      const inOrder = ids.map((id) => existing(unit, id));
      const places = inOrder.map(({ position }) => position).sort((a, b) => a - b);
      const areApart = new Set(places).size === places.length;
      for (const [at, design] of inOrder.entries()) {
        // Designs of a file may share a place; else they only change theirs, however often that is done.
        const position = places[at]! + (areApart ? 0 : at / (2 * places.length));
        if (position !== design.position) await unit.updateDesign(design, { position });
      }
      return { sentence: `Ordered ${inOrder.map(({ definition }) => definition.name).join(', ')}`, result: null };
    });
  }

  /**
   * The listings of a kind that a design is tried with: some plain ones, and those with which it is likely to break.
   * Refused by `request.not-found`.
   */
  async samples(kindId: number): Promise<DesignSamples> {
    const kind = this.live.kind(kindId);
    if (!kind) throw Refusal.of('request.not-found');
    const finder = new AwkwardFinder(kind, this.live.context());
    const plain: number[] = [];
    let looked = 0;
    for await (const stretch of this.store.listingsOf(kindId)) {
      for (const listing of stretch) {
        finder.look(listing);
        if (listing.status === 'live' && plain.length < PLAIN_SAMPLES) plain.push(listing.id);
      }
      looked += stretch.length;
      if (looked >= MOST_LOOKED_AT) break;
    }
    const awkward = new Map(finder.found().map(({ id, why }) => [id, why]));
    const listings = await this.live.listings([...awkward.keys(), ...plain.filter((id) => !awkward.has(id))]);
    const samples = listings.map((listing): DesignSample => ({ listing, why: awkward.get(listing.id) ?? [] }));
    return { samples, linked: await this.linkedWith(listings) };
  }

  /** One listing to try a design with. Refused by `request.not-found`. */
  async sample(listingId: number): Promise<DesignSamples> {
    const [listing] = await this.live.listings([listingId]);
    if (!listing) throw Refusal.of('request.not-found');
    return { samples: [{ listing, why: [] }], linked: await this.linkedWith([listing]) };
  }

  /** The listings that others are linked with, and those that these are linked with. */
  private async linkedWith(listings: readonly Listing[]): Promise<Listing[]> {
    const near = await this.live.listings(this.linkedIds(listings).slice(0, MOST_LINKED));
    const known = new Set(near.map(({ id }) => id));
    const far = this.linkedIds(near).filter((id) => !known.has(id));
    return [...near, ...(await this.live.listings(far.slice(0, MOST_LINKED)))];
  }

  private linkedIds(listings: readonly Listing[]): number[] {
    const ids = listings.flatMap((listing) => {
      const kind = this.live.kind(listing.kindId);
      return kind ? linkedIdsOf(listing, kind) : [];
    });
    return [...new Set(ids)];
  }
}

function linkedIdsOf({ values }: Listing, { fields }: Kind): number[] {
  const links = fields.filter(({ type }) => type === 'link').map(({ key }) => values[key]);
  return links.flatMap((value) =>
    Array.isArray(value) ? (value as readonly { id: number }[]).map(({ id }) => id) : [],
  );
}

function existing(unit: Unit, id: number): Design {
  const design = unit.structure.design(id);
  if (!design) throw Refusal.of('request.not-found');
  return design;
}
