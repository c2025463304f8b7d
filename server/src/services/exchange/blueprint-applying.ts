import type { FrameDesign, PageDesign, PieceNumbers } from '@plindo/core/design';
import { withPageNumbers } from '@plindo/core/design';
import type { UnplacedDesign } from '@plindo/core/plans';
import { designIssues, hasOtherAddresses } from '@plindo/core/plans';
import type { Blueprint, BlueprintDesign } from '@plindo/core/exchange';
import { hashesIn, withNumbers, withoutMissing } from '@plindo/core/exchange';
import type { ListingContent } from '@plindo/core/listings';
import { BLANK_CONTENT, checkSelection, readListing } from '@plindo/core/listings';
import type { CategorySet, KindDefinition, Link, SiteSettings, StoredKind } from '@plindo/core/structure';
import {
  checkCategorySet,
  checkKind,
  checkKindChange,
  linksOfKind,
  makeSelection,
  completeKind,
} from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { issue, refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { readdress } from '../structure/readdress.js';
import { sceneBesides } from '../structure/selections.js';

/** Applies a blueprint inside a unit: whole, or refused. What is here and not in it stays as it is. */
export class BlueprintApplying {
  /** What was made so far: the things here that stand for those of the blueprint, in its order. */
  private readonly sets: CategorySet[] = [];
  private readonly links: Link[] = [];
  /** By slug. */
  private readonly kinds = new Map<string, StoredKind>();
  /** Numbers of listings by the slugs of their kind and of themselves. */
  private readonly listings = new Map<string, number>();
  /** The numbers of the listings that it has brought. */
  readonly brought: number[] = [];
  /** Kinds whose listings get other addresses. */
  private readonly readdressed: number[] = [];
  private kept: ReadonlySet<string> = new Set();

  constructor(
    private readonly unit: Unit,
    private readonly blueprint: Blueprint,
  ) {}

  async apply(): Promise<void> {
    const hashes = [...new Set(hashesIn(this.blueprint))];
    const pictures = await this.unit.keptHashes('pictures', hashes);
    this.kept = new Set([...pictures, ...(await this.unit.keptHashes('files', hashes))]);
    const isKept = (hash: string): boolean => this.kept.has(hash);
    await this.unit.saveSite(withoutMissing(this.blueprint.site, isKept) as SiteSettings);
    await this.applySets();
    await this.applyKinds();
    await this.applyLinks();
    this.check();
    for (const id of this.readdressed) await readdress(this.unit, id);
    await this.applyListings();
    await this.applyConnections();
    await this.applySelections();
    await this.applyDesigns();
  }

  private async applySets(): Promise<void> {
    for (const given of this.blueprint.categorySets) {
      const categories = given.categories.map((category) =>
        category.picture && !this.kept.has(category.picture.hash) ? { ...category, picture: null } : category,
      );
      const definition = { ...given, categories };
      const own = this.unit.structure.sets.find(({ slug }) => slug === definition.slug);
      refuseIfAny(checkCategorySet(definition, this.unit.structure.setsBesides(own?.id ?? null)));
      this.sets.push(
        own ? await this.unit.updateCategorySet(own, definition) : await this.unit.insertCategorySet(definition),
      );
    }
  }

  /** Kinds first without the ends of links, which need both kinds to be there. */
  private async applyKinds(): Promise<void> {
    const { unit } = this;
    for (const sent of this.blueprint.kinds) {
      const plain = { ...sent, fields: sent.fields.filter(({ type }) => type !== 'link') };
      const numbered = withNumbers(plain, { set: (position) => this.sets[position - 1]?.id ?? 0, link: () => 0 });
      const own = unit.structure.kinds.find(({ slug }) => slug === sent.slug);
      if (!own) {
        this.kinds.set(sent.slug, await unit.insertKind(numbered));
        continue;
      }
      const before = unit.kind(own.id);
      const definition = withOwnFields(numbered, before.definition);
      refuseIfAny(checkKindChange(own, unit.structure.complete(definition)));
      this.kinds.set(sent.slug, await unit.updateKind(before, definition));
      if (hasOtherAddresses(before.definition, definition)) this.readdressed.push(own.id);
    }
  }

  private async applyLinks(): Promise<void> {
    const { unit } = this;
    for (const { a, b, hasNotes } of this.blueprint.links) {
      const ends = [a, b].map(({ kind, field, many }) => ({ kindId: this.kinds.get(kind)?.id ?? 0, field, many }));
      const isHere = (link: Link): boolean =>
        [link.a, link.b].every((end, at) => end.kindId === ends[at]!.kindId && end.field === ends[at]!.field);
      const own = unit.structure.links.find(isHere);
      if (ends.some(({ kindId }) => kindId === 0)) refuseIfAny([issue('link.kinds', {}, { field: 'links' })]);
      this.links.push(own ?? (await unit.insertLink({ a: ends[0]!, b: ends[1]!, hasNotes })));
    }
    for (const sent of this.blueprint.kinds) {
      const kind = this.kinds.get(sent.slug)!;
      const numbered = withNumbers(sent, {
        set: (position) => this.sets[position - 1]?.id ?? 0,
        link: (position) => this.links[position - 1]?.id ?? 0,
      });
      if (!sent.fields.some(({ type }) => type === 'link')) continue;
      this.kinds.set(sent.slug, await unit.updateKind(kind, withOwnFields(numbered, kind.definition)));
    }
  }

  /** The same checks as by hand, on the structure as it is now. */
  private check(): void {
    const { structure } = this.unit;
    const issues: Issue[] = [];
    for (const kind of structure.kinds) {
      issues.push(...checkKind(kind, structure.kindsBesides(kind.id)));
      const ends = linksOfKind(kind, structure.links)
        .flatMap(({ a, b }) => [a, b])
        .filter(({ kindId }) => kindId === kind.id);
      const lost = ends.filter(({ field }) => !kind.fields.some(({ key, type }) => key === field && type === 'link'));
      if (lost.length > 0) {
        issues.push(issue('link.ends', { labels: lost.map(({ field }) => field).join(', ') }, { field: 'kinds' }));
      }
    }
    refuseIfAny(issues);
  }

  /** Adds the listings whose address is free in their kind; one that is there already stays as it is. */
  private async applyListings(): Promise<void> {
    const { unit, listings } = this;
    for (const [slug, stored] of this.kinds) {
      for await (const stretch of unit.listingsOf(stored.id)) {
        for (const own of stretch) listings.set(`${slug}/${own.slug}`, own.id);
      }
      // Links come after all listings are there.
      const kind = completeKind(stored, unit.structure.sets, []);
      const contents: ListingContent[] = [];
      for (const { kind: _, ...sent } of this.blueprint.listings?.filter((listing) => listing.kind === slug) ?? []) {
        if (listings.has(`${slug}/${sent.slug}`)) continue;
        const isKept = (hash: string): boolean => this.kept.has(hash);
        const { picture = null, values = {}, ...others } = withoutMissing(sent, isKept) as Partial<ListingContent>;
        const read = readListing({ ...others, picture, values }, kind, unit.context(), { ...BLANK_CONTENT });
        refuseIfAny(read.issues.map((found) => ({ ...found, message: `${sent.title}: ${found.message}` })));
        contents.push({ ...read.content, aside: sent.aside });
      }
      for (const listing of await unit.insertListings(stored.id, contents)) {
        listings.set(`${slug}/${listing.slug}`, listing.id);
        this.brought.push(listing.id);
      }
    }
  }

  private async applyConnections(): Promise<void> {
    for (const [at, link] of this.blueprint.links.entries()) {
      const { id } = this.links[at]!;
      const taken = new Set((await this.unit.connectionsOf({ link: id })).map(({ a, b }) => `${a} ${b}`));
      for (const { a, b, note, aOrder, bOrder } of link.connections ?? []) {
        const aId = this.listings.get(`${link.a.kind}/${a}`);
        const bId = this.listings.get(`${link.b.kind}/${b}`);
        if (aId === undefined || bId === undefined || taken.has(`${aId} ${bId}`)) continue;
        await this.unit.insertConnection({ linkId: id, a: aId, b: bId, note, aOrder, bOrder });
      }
    }
  }

  /** Adds or changes selections; of those picked by hand what is here or came with it. */
  private async applySelections(): Promise<void> {
    const { unit } = this;
    for (const sent of this.blueprint.selections ?? []) {
      const kinds = sent.kinds.flatMap((slug) => this.kinds.get(slug)?.id ?? []);
      const picked = sent.picked && sent.picked.flatMap((place) => this.listings.get(place) ?? []);
      const definition = makeSelection({ ...sent, kinds, picked });
      const own = unit.structure.selections.find(({ slug }) => slug === sent.slug);
      refuseIfAny(checkSelection(definition, sceneBesides(unit, own?.id ?? null)));
      if (own) await unit.updateSelection(own, definition);
      else await unit.insertSelection(definition);
    }
  }

  /** Adds or changes designs; another one of the same sort, kind and name is the same one in another state. */
  private async applyDesigns(): Promise<void> {
    const { unit, blueprint } = this;
    const numbers: PieceNumbers = {
      kind: (position) => this.kinds.get(blueprint.kinds[position - 1]?.slug ?? '')?.id ?? 0,
      selection: (position) => {
        const slug = blueprint.selections?.[position - 1]?.slug;
        return unit.structure.selections.find((one) => one.slug === slug)?.id ?? 0;
      },
      part: (position) => applied.get(position) ?? 0,
      form: (position) => applied.get(position) ?? 0,
    };
    const applied = new Map<number, number>();
    // Pages name parts and forms, so those come first.
    const isNamed = ({ type, definition }: BlueprintDesign): boolean =>
      type === 'form' || ('serves' in definition && definition.serves === 'part');
    const all = [...(blueprint.designs ?? []).entries()];
    const inTurn = [...all.filter(([, one]) => isNamed(one)), ...all.filter(([, one]) => !isNamed(one))];
    for (const [at, { kind, ...sent }] of inTurn) {
      const kindId = kind === null ? null : (this.kinds.get(kind)?.id ?? 0);
      const design = { kindId, ...this.settled(sent, numbers) } as UnplacedDesign;
      const { name } = design.definition;
      const own = unit.structure.designs.find(
        (one) => one.type === design.type && one.kindId === kindId && one.definition.name === name,
      );
      refuseIfAny(designIssues(design, own?.id ?? null, unit.structure, unit.context()));
      const position = at + 1;
      const { id } = own
        ? await unit.updateDesign(own, { definition: design.definition, position })
        : await unit.insertDesign({ ...design, position });
      applied.set(position, id);
    }
  }

  /** A design with the numbers of this site, and without pictures that did not come with it. */
  private settled(sent: Omit<BlueprintDesign, 'kind'>, numbers: PieceNumbers): Omit<BlueprintDesign, 'kind'> {
    const design = sent as BlueprintDesign;
    if (design.type === 'page') {
      return { type: 'page', definition: withPageNumbers(this.withKeptPictures(design.definition), numbers) };
    }
    if (design.type !== 'frame') return design;
    const definition = this.withKeptPictures(design.definition);
    return { type: 'frame', definition: { ...definition, searchIn: numbers.kind(definition.searchIn) } };
  }

  private withKeptPictures<Of extends PageDesign | FrameDesign>(definition: Of): Of {
    // A picture that is a setting is one by itself, so that what takes its place is null.
    return JSON.parse(JSON.stringify(definition), (_, value: unknown) => {
      const { hash } = (value ?? {}) as { hash?: unknown };
      return typeof hash === 'string' && !this.kept.has(hash) ? null : value;
    }) as Of;
  }
}

/** A definition with the fields that the kind has here and the definition doesn't, at the end. */
function withOwnFields(definition: KindDefinition, own: KindDefinition): KindDefinition {
  const keys = new Set(definition.fields.map(({ key }) => key));
  return { ...definition, fields: [...definition.fields, ...own.fields.filter(({ key }) => !keys.has(key))] };
}
