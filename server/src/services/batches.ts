import type { Changed, User } from '@plindo/core/contract';
import { UniqueValues } from '@plindo/core/catalog';
import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, readListing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { linkOfField, otherSide } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { firstFreeSlug, issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Unit } from '../store/index.js';
import type { Connections } from './connections.js';
import { withoutLinked } from './connections.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** One listing's part of a batch. */
export interface BatchPart {
  readonly id: number;
  /** The version that the editor has seen; null where the present one will do. */
  readonly version: number | null;
  readonly input: ListingInput;
}

/** Categories to be added to and taken from each listing of a batch. */
export interface CategoryChange {
  readonly field: string;
  readonly add: readonly string[];
  readonly remove: readonly string[];
}

/** Changes of many listings as one: all of them or none. */
export class Batches {
  constructor(
    private readonly live: Live,
    private readonly connections: Connections,
  ) {}

  /** Changes each listing by its own input; what is refused is told with the title of its listing. */
  async change(
    user: User,
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null,
  ): Promise<Changed<{ listings: number }>> {
    const kind = this.kind(kindId);
    if (parts.length > 1) this.refuseExclusiveLinks(kind, parts);
    const sentence = `Changed ${parts.length} ${kind.many}`;
    const { changeId, result } = await this.live.change({ userId: user.id, sentence }, async (unit) => {
      const changed: { before: Listing; content: ListingContent; given: ListingInput }[] = [];
      for (const part of parts) {
        const before = await this.existing(unit, kind, part);
        const content = this.read(kind, before, part.input, categories);
        changed.push({ before, content, given: part.input });
      }
      this.checkUniques(kind, changed);
      for (const { before, content, given } of changed) {
        await this.connections.edit(unit, kind, before.id, given.values ?? {});
        await unit.updateListing(before, { ...content, values: withoutLinked(content.values, kind) });
      }
      return { listings: changed.length };
    });
    return { changeId, result };
  }

  /** Copies listings as drafts, without what has to be different in each, and without their links. */
  async duplicate(user: User, kindId: number, ids: readonly number[]): Promise<Changed<{ listings: number }>> {
    const kind = this.kind(kindId);
    const head = { userId: user.id, sentence: `Duplicated ${ids.length} ${kind.many}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const taken = await unit.slugsOf(kindId);
      const copies: ListingContent[] = [];
      for (const id of ids) {
        const listing = await this.existing(unit, kind, { id, version: null });
        const content = contentOf(listing);
        const slug = firstFreeSlug(content.slug, (candidate) => taken.has(candidate));
        taken.add(slug);
        const unique = kind.fields.filter((field) => field.unique || field.type === 'reference').map(({ key }) => key);
        const kept = Object.entries(content.values).filter(([key]) => !unique.includes(key));
        copies.push({ ...content, slug, status: 'draft', featured: false, values: Object.fromEntries(kept) });
      }
      const uniques = new UniqueValues();
      const catalog = this.live.catalog(kindId);
      const numbered = copies.map((copy, at) => {
        const first = catalog?.uniques.withReferences(copy.values, kind.fields) ?? copy.values;
        const values = at === 0 ? first : uniques.withReferences(copy.values, kind.fields);
        uniques.put({ id: at, values }, kind.fields);
        return { ...copy, values };
      });
      await unit.insertListings(kindId, numbered);
      return { listings: numbered.length };
    });
    return { changeId, result };
  }

  /** A listing that only one other may hold cannot be given to several at once. */
  private refuseExclusiveLinks(kind: Kind, parts: readonly BatchPart[]): void {
    const issues = kind.fields.flatMap((field): Issue[] => {
      const found = linkOfField(field, this.live.links.all());
      const isGiven = parts.some(({ input }) => Object.hasOwn(input.values ?? {}, field.key));
      if (!found || !isGiven || found.link[otherSide(found.side)].many) return [];
      return [issue('link.exclusive', { label: field.label }, { field: field.key })];
    });
    refuseIfAny(issues);
  }

  private kind(id: number): Kind {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }

  private async existing(unit: Unit, kind: Kind, { id, version }: Omit<BatchPart, 'input'>): Promise<Listing> {
    const listing = await unit.listing(id);
    if (listing?.kindId !== kind.id) throw Refusal.of('request.not-found');
    if (version !== null && version !== listing.version) throw Refusal.of('change.conflict', { title: listing.title });
    return listing;
  }

  private read(kind: Kind, before: Listing, given: ListingInput, categories: CategoryChange | null): ListingContent {
    const input = categories ? { ...given, values: { ...given.values, ...withCategories(before, categories) } } : given;
    const read = readListing(input, kind, this.live.context(), contentOf(before));
    refuseIfAny(read.issues.map((found) => ({ ...found, message: `${before.title}: ${found.message}` })));
    return read.content;
  }

  /** Nothing that has to be different may be the same as in another listing, or twice in the batch. */
  private checkUniques(kind: Kind, changed: readonly { before: Listing; content: ListingContent }[]): void {
    const own = new UniqueValues();
    const catalog = this.live.catalog(kind.id);
    const issues: Issue[] = [];
    const titleOf = (id: number): string => catalog?.titleOf(id) ?? '';
    for (const { before, content } of changed) {
      issues.push(...own.issuesOf(content.values, kind.fields, before.id, titleOf));
      own.put({ id: before.id, values: content.values }, kind.fields);
      const isSame = JSON.stringify(before.values) === JSON.stringify(content.values);
      if (!isSame && catalog) issues.push(...catalog.uniques.issuesOf(content.values, kind.fields, before.id, titleOf));
    }
    refuseIfAny(issues);
  }
}

function withCategories({ values }: Listing, { field, add, remove }: CategoryChange): Record<string, unknown> {
  const own = Array.isArray(values[field]) ? (values[field] as readonly string[]) : [];
  return { [field]: [...new Set([...own.filter((key) => !remove.includes(key)), ...add])] };
}
