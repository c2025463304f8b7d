import type { Changed, User } from '@plindo/core/contract';
import type { Blueprint, BlueprintPlan } from '@plindo/core/exchange';
import { blueprintOf, hashesIn, planBlueprint, withNumbers, withoutMissing } from '@plindo/core/exchange';
import type { Listing, ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT, checkSelection, readListing } from '@plindo/core/listings';
import type { CategorySet, Kind, KindDefinition, Link } from '@plindo/core/structure';
import {
  checkCategorySet,
  checkKind,
  checkKindChange,
  linksOfKind,
  makeSelection,
  withCategories,
  withLinks,
} from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, Unit } from '../store/index.js';
import type { BroughtThings } from './blueprint-zip.js';
import { NOTHING_BROUGHT } from './blueprint-zip.js';
import { refuseIfAny } from './refusal.js';

/** What an apply has made so far: the things here that stand for those of the blueprint. */
interface Made {
  readonly sets: CategorySet[];
  readonly links: Link[];
  readonly kinds: Map<string, Kind>;
}

/** The structure of the site as a document: saved, compared, and applied as a whole or not at all. */
export class Blueprints {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async save(withListings: boolean): Promise<Blueprint> {
    const kinds = this.live.kinds();
    const structure = {
      site: this.live.site(),
      categorySets: this.live.categorySets(),
      kinds,
      links: this.live.links.all(),
      selections: this.live.selections(),
    };
    if (!withListings) return blueprintOf(structure);
    const listings: Listing[] = [];
    for (const { id } of kinds) for await (const stretch of this.store.listingsOf(id)) listings.push(...stretch);
    return blueprintOf({ ...structure, content: { listings, connections: this.live.links.graph.all() } });
  }

  /** What applying it would do, with the pictures and files that come with it. */
  async plan(blueprint: Blueprint, brought: BroughtThings = NOTHING_BROUGHT): Promise<BlueprintPlan> {
    const kept = await this.keptHashes(blueprint, brought);
    return planBlueprint(blueprint, await this.save(false), (hash) => kept.has(hash));
  }

  /** Applies a blueprint in one change. What is here and not in it stays as it is. */
  async apply(
    user: User,
    blueprint: Blueprint,
    brought: BroughtThings = NOTHING_BROUGHT,
  ): Promise<Changed<BlueprintPlan>> {
    const plan = await this.plan(blueprint, brought);
    const added = await brought.keep(new Set(hashesIn(blueprint)));
    try {
      return { changeId: await this.applyStructure(user, blueprint), result: plan };
    } catch (error) {
      // Whole or not at all: what came for it goes again.
      await this.store.pictures.forget(added);
      await this.store.files.forget(added);
      throw error;
    }
  }

  private async applyStructure(user: User, blueprint: Blueprint): Promise<number> {
    const kept = await this.keptHashes(blueprint);
    const head = { userId: user.id, sentence: `Applied the blueprint of ${blueprint.site.name}` };
    const { changeId } = await this.live.change(head, async (unit) => {
      await unit.saveSite(blueprint.site);
      const made: Made = { sets: [], links: [], kinds: new Map() };
      await this.applySets(unit, blueprint, made, (hash) => kept.has(hash));
      await this.applyKinds(unit, blueprint, made);
      await this.applyLinks(unit, blueprint, made);
      this.check(made);
      const listings = await this.applyListings(unit, blueprint, made, (hash) => kept.has(hash));
      await this.applyConnections(unit, blueprint, made, listings);
      await this.applySelections(unit, blueprint, made, listings);
    });
    return changeId;
  }

  private async applySets(
    unit: Unit,
    { categorySets }: Blueprint,
    made: Made,
    isKept: (hash: string) => boolean,
  ): Promise<void> {
    for (const given of categorySets) {
      const categories = given.categories.map((category) =>
        category.picture && !isKept(category.picture.hash) ? { ...category, picture: null } : category,
      );
      const definition = { ...given, categories };
      const own = this.live.categorySets().find(({ slug }) => slug === definition.slug);
      const others = this.live.categorySets().filter(({ id }) => id !== own?.id);
      refuseIfAny(checkCategorySet(definition, others));
      made.sets.push(own ? await unit.updateCategorySet(own, definition) : await unit.insertCategorySet(definition));
    }
  }

  /** Kinds first without the ends of links, which need both kinds to be there. */
  private async applyKinds(unit: Unit, { kinds }: Blueprint, made: Made): Promise<void> {
    for (const sent of kinds) {
      const plain = { ...sent, fields: sent.fields.filter(({ type }) => type !== 'link') };
      const numbered = withNumbers(plain, { set: (position) => made.sets[position - 1]?.id ?? 0, link: () => 0 });
      const own = this.live.kinds().find(({ slug }) => slug === sent.slug);
      const before = own && (await unit.kind(own.id));
      const definition = before ? withOwnFields(numbered, before) : numbered;
      if (own) refuseIfAny(checkKindChange(own, withCategories(definition, made.sets)));
      made.kinds.set(sent.slug, before ? await unit.updateKind(before, definition) : await unit.insertKind(definition));
    }
  }

  private async applyLinks(unit: Unit, { links, kinds }: Blueprint, made: Made): Promise<void> {
    for (const { a, b, hasNotes } of links) {
      const ends = [a, b].map(({ kind, field, many }) => ({ kindId: made.kinds.get(kind)?.id ?? 0, field, many }));
      const isHere = (link: Link): boolean =>
        [link.a, link.b].every((end, at) => end.kindId === ends[at]!.kindId && end.field === ends[at]!.field);
      const own = this.live.links.all().find(isHere);
      if (ends.some(({ kindId }) => kindId === 0)) refuseIfAny([issue('link.kinds', {}, { field: 'links' })]);
      made.links.push(own ?? (await unit.insertLink({ a: ends[0]!, b: ends[1]!, hasNotes })));
    }
    for (const sent of kinds) {
      const kind = made.kinds.get(sent.slug)!;
      const linkNumber = (position: number): number => made.links[position - 1]?.id ?? 0;
      const numbered = withNumbers(sent, { set: (position) => made.sets[position - 1]?.id ?? 0, link: linkNumber });
      if (!sent.fields.some(({ type }) => type === 'link')) continue;
      made.kinds.set(sent.slug, await unit.updateKind(kind, withOwnFields(numbered, kind)));
    }
  }

  /** The same checks as by hand, on the structure as it would be. */
  private check(made: Made): void {
    const links = [
      ...this.live.links.all().filter(({ id }) => !made.links.some((link) => link.id === id)),
      ...made.links,
    ];
    const others = this.live.kinds().filter(({ slug }) => !made.kinds.has(slug));
    const all = [
      ...others,
      ...[...made.kinds.values()].map((kind) => withLinks(withCategories(kind, made.sets), links)),
    ];
    const issues: Issue[] = [];
    for (const kind of all) {
      issues.push(
        ...checkKind(
          kind,
          all.filter(({ id }) => id !== kind.id),
        ),
      );
      const ends = linksOfKind(kind, links)
        .flatMap(({ a, b }) => [a, b])
        .filter(({ kindId }) => kindId === kind.id);
      const lost = ends.filter(({ field }) => !kind.fields.some(({ key, type }) => key === field && type === 'link'));
      if (lost.length > 0)
        issues.push(issue('link.ends', { labels: lost.map(({ field }) => field).join(', ') }, { field: 'kinds' }));
    }
    refuseIfAny(issues);
  }

  /** Adds the listings whose address is free in their kind; one that is there already stays as it is. */
  private async applyListings(
    unit: Unit,
    { listings = [] }: Blueprint,
    made: Made,
    isKept: (hash: string) => boolean,
  ): Promise<Map<string, number>> {
    const ids = new Map<string, number>();
    for (const [slug, kind] of made.kinds) {
      for (const own of await unit.listingsOf(kind.id)) ids.set(`${slug}/${own.slug}`, own.id);
      const hydrated = withCategories(kind, made.sets);
      const contents: ListingContent[] = [];
      for (const { kind: _, ...sent } of listings.filter((listing) => listing.kind === slug)) {
        if (ids.has(`${slug}/${sent.slug}`)) continue;
        const { picture = null, values = {}, ...others } = withoutMissing(sent, isKept) as Partial<ListingContent>;
        const input = { ...others, picture, values };
        const read = readListing(input, hydrated, this.live.context(), { ...BLANK_CONTENT });
        refuseIfAny(read.issues.map((found) => ({ ...found, message: `${sent.title}: ${found.message}` })));
        contents.push({ ...read.content, aside: sent.aside });
      }
      for (const listing of await unit.insertListings(kind.id, contents))
        ids.set(`${slug}/${listing.slug}`, listing.id);
    }
    return ids;
  }

  /** Adds or changes selections; of those picked by hand what is here or came with it. */
  private async applySelections(
    unit: Unit,
    { selections = [] }: Blueprint,
    made: Made,
    listings: ReadonlyMap<string, number>,
  ): Promise<void> {
    for (const sent of selections) {
      const kinds = sent.kinds.flatMap((slug) => made.kinds.get(slug)?.id ?? []);
      const picked = sent.picked && sent.picked.flatMap((place) => listings.get(place) ?? []);
      const definition = makeSelection({ ...sent, kinds, picked });
      const own = this.live.selections().find(({ slug }) => slug === sent.slug);
      const links = [...this.live.links.all(), ...made.links];
      const all = [...made.kinds.values()].map((kind) => withLinks(withCategories(kind, made.sets), links));
      const scene = {
        kindById: (id: number) => all.find((kind) => kind.id === id) ?? this.live.kind(id),
        others: this.live.selections().filter(({ id }) => id !== own?.id),
        context: this.live.context(),
      };
      refuseIfAny(checkSelection(definition, scene));
      if (own) await unit.updateSelection(own, definition);
      else await unit.insertSelection(definition);
    }
  }

  private async applyConnections(
    unit: Unit,
    { links }: Blueprint,
    made: Made,
    listings: ReadonlyMap<string, number>,
  ): Promise<void> {
    for (const [at, link] of links.entries()) {
      const { id } = made.links[at]!;
      const taken = new Set((await unit.connectionsOf({ link: id })).map(({ a, b }) => `${a} ${b}`));
      for (const { a, b, note, aOrder, bOrder } of link.connections ?? []) {
        const ends = [listings.get(`${link.a.kind}/${a}`), listings.get(`${link.b.kind}/${b}`)];
        const [aId, bId] = ends;
        if (aId === undefined || bId === undefined || taken.has(`${aId} ${bId}`)) continue;
        await unit.insertConnection({ linkId: id, a: aId, b: bId, note, aOrder, bOrder });
      }
    }
  }

  /** Of the pictures and files that a blueprint names, those that are here or come with it. */
  private async keptHashes(blueprint: Blueprint, { hashes } = NOTHING_BROUGHT): Promise<Set<string>> {
    const kept = new Set<string>();
    for (const hash of new Set(hashesIn(blueprint))) {
      if (hashes.has(hash)) kept.add(hash);
      else if ((await this.store.pictures.find(hash)) ?? (await this.store.files.find(hash))) kept.add(hash);
    }
    return kept;
  }
}

/** A definition with the fields that the kind has here and the definition doesn't, at the end. */
function withOwnFields(definition: KindDefinition, own: KindDefinition): KindDefinition {
  const keys = new Set(definition.fields.map(({ key }) => key));
  return { ...definition, fields: [...definition.fields, ...own.fields.filter(({ key }) => !keys.has(key))] };
}
