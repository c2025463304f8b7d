import type {
  Changed,
  JustMissing,
  ListingInSelection,
  SelectionPreview,
  SelectionSummary,
  User,
} from '@plindo/core/contract';
import type { Listing, QuestionScene, SelectionScene } from '@plindo/core/listings';
import { checkQuestion, checkSelection, conditionFaults } from '@plindo/core/listings';
import { CardMaker, readLinked } from '@plindo/core/page';
import type { Explanation } from '@plindo/core/query';
import { catalogsOfSelection, explain, justMissing, removedByEach, runSelection } from '@plindo/core/query';
import type { Kind, Selection, SelectionDefinition } from '@plindo/core/structure';
import { firstFreeSlug, Refusal, refuseIfAny, slugOf } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { refuseOutdated, refuseIfBreaking } from '../editing.js';

const PREVIEW_CARDS = 6;
const MOST_MISSING = 20;

/** Saved questions: making, changing, previewing and explaining them. */
export class Selections {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  summaries(): SelectionSummary[] {
    return this.live.selections().map((selection) => {
      const { total } = runSelection(selection, 1, this.live.scene());
      const faults = selection.picked ? [] : conditionFaults(selection, this.checkScene());
      return { selection, total, faults, usedBy: usesOf(selection) };
    });
  }

  add(user: User | null, sent: SelectionDefinition): Promise<Changed<Selection>> {
    return this.editing.change(user, async (unit) => {
      const taken = unit.structure.selections.map(({ slug }) => slug);
      const slug = sent.slug || firstFreeSlug(slugOf(sent.name), (candidate) => taken.includes(candidate));
      const definition = { ...sent, slug };
      refuseIfAny(checkSelection(definition, sceneBesides(unit, null)));
      const result = await unit.insertSelection(definition);
      return { sentence: `Added the selection ${definition.name}`, result };
    });
  }

  update(user: User, id: number, version: number, definition: SelectionDefinition): Promise<Changed<Selection>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      refuseIfAny(checkSelection(definition, sceneBesides(unit, id)));
      refuseOutdated(before, version, before.name);
      const result = await unit.updateSelection(before, definition);
      return { sentence: `Changed the selection ${definition.name}`, result };
    });
  }

  remove(user: User, id: number): Promise<Changed<null>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      const structure = unit.structure;
      await unit.remove('selection', id, before);
      refuseIfBreaking(unit, structure);
      return { sentence: `Deleted the selection ${before.name}`, result: null };
    });
  }

  /** What a selection would give, saved or not, with what each of its conditions does. */
  async preview(selection: SelectionDefinition): Promise<SelectionPreview> {
    const startedAt = performance.now();
    const scene = this.live.scene();
    const { total, found, ids } = runSelection(selection, 1, scene);
    const ms = performance.now() - startedAt;
    const shown = await this.live.listings(ids.slice(0, PREVIEW_CARDS));
    const cards = await this.cardsOf(shown);
    // How it is called is checked when it is saved: one that is being made has no address yet.
    const issues = checkQuestion(selection, this.checkScene());
    const kinds = catalogsOfSelection(selection, scene).map(({ kind }) => kind.id);
    return { total, found, ms, ...cards, kinds, issues, removed: removedByEach(selection, scene) };
  }

  private async cardsOf(listings: readonly Listing[]): Promise<Pick<SelectionPreview, 'cards' | 'cardForms'>> {
    const kindById = (id: number): Kind | undefined => this.live.kind(id);
    const scene = { context: this.live.context(), kindById, designs: this.live.designs() };
    const linked = await readLinked(listings, scene, (ids) => this.live.listings(ids));
    const maker = new CardMaker(scene, linked);
    const cards = listings.flatMap((listing) => {
      const kind = kindById(listing.kindId);
      return kind ? [maker.card(listing, kind)] : [];
    });
    return { cards, cardForms: maker.forms };
  }

  /** Listings that fail one condition alone, by the position of the condition. */
  missing(selection: SelectionDefinition): JustMissing[] {
    const missing = justMissing(selection, this.live.scene(), MOST_MISSING);
    return missing.map(({ at, total, ids }) => ({ at, total, listings: this.live.named(ids) }));
  }

  /** Why a listing is not in a selection, or where in it it is. Refused by `request.not-found`. */
  async explain(selection: SelectionDefinition, listingId: number): Promise<Explanation> {
    const listing = await this.store.listing(listingId);
    const catalog = listing && this.live.catalog(listing.kindId);
    if (!listing || !catalog) throw Refusal.of('request.not-found');
    return explain(this.live.complete(listing), selection, { scene: this.live.scene(), catalog });
  }

  /**
   * For a listing, each selection that chooses from its kind or picks it: where in it it is, or why it isn't. Refused
   * by `request.not-found`.
   */
  async ofListing(listingId: number): Promise<ListingInSelection[]> {
    const kept = await this.store.listing(listingId);
    const catalog = kept && this.live.catalog(kept.kindId);
    if (!kept || !catalog) throw Refusal.of('request.not-found');
    const listing = this.live.complete(kept);
    const scene = this.live.scene();
    return this.live
      .selections()
      .filter(({ kinds, picked }) => (picked ? picked.includes(listingId) : kinds.includes(kept.kindId)))
      .map((selection) => ({
        id: selection.id,
        name: selection.name,
        explanation: explain(listing, selection, { scene, catalog }),
      }));
  }

  private checkScene(): QuestionScene {
    return { kindById: (kindId) => this.live.kind(kindId), context: this.live.context() };
  }
}

function usesOf({ published }: Selection): string[] {
  return published ? ['its own page'] : [];
}

/** By what a selection is checked inside a unit; `id` is itself, null for a new one. */
export function sceneBesides(unit: Unit, id: number | null): SelectionScene {
  const { structure } = unit;
  return {
    kindById: (kindId) => structure.kind(kindId),
    context: unit.context(),
    others: structure.selectionsBesides(id),
  };
}

function existing(unit: Unit, id: number): Selection {
  const selection = unit.structure.selections.find((one) => one.id === id);
  if (!selection) throw Refusal.of('request.not-found');
  return selection;
}
