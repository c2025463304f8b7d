import type {
  Changed,
  JustMissing,
  ListingInSelection,
  SelectionPreview,
  SelectionSummary,
  User,
} from '@plindo/core/contract';
import type { QuestionScene, SelectionScene } from '@plindo/core/listings';
import { checkQuestion, checkSelection, conditionFaults } from '@plindo/core/listings';
import { cardOf } from '@plindo/core/page';
import type { Explanation } from '@plindo/core/query';
import { catalogsOfSelection, explain, justMissing, removedByEach, runSelection } from '@plindo/core/query';
import type { Selection, SelectionDefinition } from '@plindo/core/structure';
import { firstFreeSlug, slugOf } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, Unit } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

const PREVIEW_CARDS = 6;
const MOST_MISSING = 20;

/** Saved questions: making, changing, previewing and explaining them. */
export class Selections {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  summaries(): SelectionSummary[] {
    return this.live.selections().map((selection) => {
      const { total } = runSelection(selection, 1, this.live.scene());
      const faults = selection.picked ? [] : conditionFaults(selection, this.checkScene());
      return { selection, total, faults, usedBy: usesOf(selection) };
    });
  }

  async add(user: User | null, sent: SelectionDefinition): Promise<Changed<Selection>> {
    const taken = this.live.selections().map(({ slug }) => slug);
    const slug = sent.slug || firstFreeSlug(slugOf(sent.name), (candidate) => taken.includes(candidate));
    const definition = { ...sent, slug };
    refuseIfAny(checkSelection(definition, this.sceneBesides(null)));
    const head = { userId: user?.id ?? null, sentence: `Added the selection ${definition.name}` };
    const { changeId, result } = await this.live.change(head, (unit) => unit.insertSelection(definition));
    return { changeId, result };
  }

  async update(user: User, id: number, version: number, definition: SelectionDefinition): Promise<Changed<Selection>> {
    refuseIfAny(checkSelection(definition, this.sceneBesides(id)));
    const head = { userId: user.id, sentence: `Changed the selection ${definition.name}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await existing(unit, id);
      if (before.version !== version) throw Refusal.of('change.conflict', { title: before.name });
      return unit.updateSelection(before, definition);
    });
    return { changeId, result };
  }

  async remove(user: User, id: number): Promise<Changed<null>> {
    const selection = this.live.selections().find((one) => one.id === id);
    if (!selection) throw Refusal.of('request.not-found');
    const head = { userId: user.id, sentence: `Deleted the selection ${selection.name}` };
    const { changeId } = await this.live.change(head, async (unit) => {
      await unit.restore({ entity: 'selection', id, before: await existing(unit, id), after: null });
    });
    return { changeId, result: null };
  }

  /** What a selection would give, saved or not, with what each of its conditions does. */
  async preview(selection: SelectionDefinition): Promise<SelectionPreview> {
    const startedAt = performance.now();
    const scene = this.live.scene();
    const { total, found, ids } = runSelection(selection, 1, scene);
    const ms = performance.now() - startedAt;
    const shown = await this.live.listings(ids.slice(0, PREVIEW_CARDS));
    const cards = shown.flatMap((listing) => {
      const kind = this.live.kind(listing.kindId);
      return kind ? [cardOf(listing, kind, scene.context)] : [];
    });
    // How it is called is checked when it is saved: one that is being made has no address yet.
    const issues = checkQuestion(selection, this.checkScene());
    const kinds = catalogsOfSelection(selection, scene).map(({ kind }) => kind.id);
    return { total, found, ms, cards, kinds, issues, removed: removedByEach(selection, scene) };
  }

  /** Listings that fail one condition alone, by the position of the condition. */
  missing(selection: SelectionDefinition): JustMissing[] {
    const missing = justMissing(selection, this.live.scene(), MOST_MISSING);
    return missing.map(({ at, total, ids }) => ({ at, total, listings: this.live.named(ids) }));
  }

  /** Why a listing is not in a selection, or where in it it is. */
  async explain(selection: SelectionDefinition, listingId: number): Promise<Explanation> {
    const listing = await this.store.listing(listingId);
    const catalog = listing && this.live.catalog(listing.kindId);
    if (!listing || !catalog) throw Refusal.of('request.not-found');
    return explain(this.live.complete(listing), selection, { scene: this.live.scene(), catalog });
  }

  /** For a listing, each selection that chooses from its kind or picks it: where in it it is, or why it isn't. */
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

  private sceneBesides(id: number | null): SelectionScene {
    return { ...this.checkScene(), others: this.live.selections().filter((selection) => selection.id !== id) };
  }

  private checkScene(): QuestionScene {
    return { kindById: (kindId) => this.live.kind(kindId), context: this.live.context() };
  }
}

function usesOf({ published }: Selection): string[] {
  return published ? ['its own page'] : [];
}

async function existing(unit: Unit, id: number): Promise<Selection> {
  const selection = await unit.selection(id);
  if (!selection) throw Refusal.of('request.not-found');
  return selection;
}
