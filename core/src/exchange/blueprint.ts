import type {
  Design,
  KeptCard,
  KeptForm,
  KeptFrame,
  KeptLook,
  KeptPage,
  KeptRedirects,
  KeptWords,
} from '../design/index.js';
import { withPageNumbers } from '../design/index.js';
import type { Connection, Listing, ListingContent } from '../listings/index.js';
import { contentOf } from '../listings/index.js';
import type {
  CategorySet,
  CategorySetDefinition,
  Field,
  Kind,
  KindDefinition,
  Link,
  Selection,
  SelectionDefinition,
  SiteSettings,
} from '../structure/index.js';
import { withoutCategories, withoutLinks } from '../structure/index.js';
import { isSame } from '../values/index.js';

export const BLUEPRINT_FORMAT = 'plindo-blueprint';
export const BLUEPRINT_VERSION = 1;

/**
 * The structure of a site as one document, with or without its listings. Nothing in it depends on the numbers of a
 * store: `set` and `link` in the settings of fields are positions in its lists, counted from 1; kinds and listings are
 * named by their slugs.
 */
export interface Blueprint {
  readonly format: typeof BLUEPRINT_FORMAT;
  readonly version: typeof BLUEPRINT_VERSION;
  readonly site: SiteSettings;
  readonly categorySets: readonly CategorySetDefinition[];
  readonly kinds: readonly KindDefinition[];
  readonly links: readonly BlueprintLink[];
  /** Absent in documents from before there were any. */
  readonly selections?: readonly BlueprintSelection[];
  /** The same. */
  readonly designs?: readonly BlueprintDesign[];
  readonly listings?: readonly BlueprintListing[];
}

/**
 * A design with the slug of its kind in the place of its number, in its order among its like. In pages kinds, selections
 * and parts of pages are positions in the lists of the document, counted from 1.
 */
export type BlueprintDesign = (
  | Pick<KeptCard, 'type' | 'definition'>
  | Pick<KeptPage, 'type' | 'definition'>
  | Pick<KeptLook, 'type' | 'definition'>
  | Pick<KeptWords, 'type' | 'definition'>
  | Pick<KeptFrame, 'type' | 'definition'>
  | Pick<KeptRedirects, 'type' | 'definition'>
  | Pick<KeptForm, 'type' | 'definition'>
) & {
  /** Null for what is of the whole site. */
  readonly kind: string | null;
};

/** A selection with slugs in the place of numbers. */
export interface BlueprintSelection extends Omit<SelectionDefinition, 'kinds' | 'picked'> {
  /** Slugs of the kinds. */
  readonly kinds: readonly string[];
  /** Of a list picked by hand, "harbours/kessel-light" for each listing that goes with it. */
  readonly picked: readonly string[] | null;
}

export interface BlueprintEnd {
  /** Slug of the kind. */
  readonly kind: string;
  readonly field: string;
  readonly many: boolean;
}

export interface BlueprintLink {
  readonly a: BlueprintEnd;
  readonly b: BlueprintEnd;
  readonly hasNotes: boolean;
  /** Present when listings are. */
  readonly connections?: readonly BlueprintConnection[];
}

/** The slugs of the two listings, in the order in which they stand at each end. */
export interface BlueprintConnection {
  readonly a: string;
  readonly b: string;
  readonly note: string;
  readonly aOrder: number;
  readonly bOrder: number;
}

/** A listing without what a store gives it. */
export interface BlueprintListing extends ListingContent {
  /** Slug of its kind. */
  readonly kind: string;
}

/** Everything that a blueprint is made from. */
export interface BlueprintSource {
  readonly site: SiteSettings;
  readonly categorySets: readonly CategorySet[];
  readonly kinds: readonly Kind[];
  readonly links: readonly Link[];
  readonly selections: readonly Selection[];
  readonly designs: readonly Design[];
  /** Given when the listings go with it. */
  readonly content?: { readonly listings: readonly Listing[]; readonly connections: readonly Connection[] };
}

export function blueprintOf(source: BlueprintSource): Blueprint {
  const { site, categorySets, kinds, links, content } = source;
  const slugOfKind = new Map(kinds.map(({ id, slug }) => [id, slug]));
  const positions: FieldNumbers = {
    set: (id) => categorySets.findIndex((set) => set.id === id) + 1,
    link: (id) => links.findIndex((link) => link.id === id) + 1,
  };
  const slugs = new Map((content?.listings ?? []).map(({ id, slug }) => [id, slug]));
  const end = ({ kindId, field, many }: Link['a']): BlueprintEnd => ({
    kind: slugOfKind.get(kindId) ?? '',
    field,
    many,
  });
  return {
    format: BLUEPRINT_FORMAT,
    version: BLUEPRINT_VERSION,
    site,
    categorySets: categorySets.map(({ slug, label, categories }) => ({ slug, label, categories })),
    kinds: kinds.map((kind) => withNumbers(definitionOf(kind), positions)),
    links: links.map((link) => ({
      a: end(link.a),
      b: end(link.b),
      hasNotes: link.hasNotes,
      ...(content && { connections: connectionsOf(link, content.connections, slugs) }),
    })),
    selections: source.selections.map((selection) => selectionIn(selection, source)),
    designs: designsIn(source),
    ...(content && {
      listings: content.listings.map((listing) => ({
        kind: slugOfKind.get(listing.kindId) ?? '',
        ...contentOf(listing),
      })),
    }),
  };
}

function designsIn({ designs, kinds, selections }: BlueprintSource): BlueprintDesign[] {
  const position = (list: readonly { readonly id: number }[], id: number): number =>
    list.findIndex((one) => one.id === id) + 1;
  const inOrder = [...designs].sort((a, b) => a.position - b.position || a.id - b.id);
  const numbers = {
    kind: (id: number): number => position(kinds, id),
    selection: (id: number): number => position(selections, id),
    part: (id: number): number => position(inOrder, id),
    form: (id: number): number => position(inOrder, id),
  };
  return inOrder.map((design): BlueprintDesign => {
    const kind = kinds.find(({ id }) => id === design.kindId)?.slug ?? null;
    if (design.type === 'card') return { type: 'card', kind, definition: design.definition };
    if (design.type === 'form') return { type: 'form', kind, definition: design.definition };
    if (design.type === 'look') return { type: 'look', kind, definition: design.definition };
    if (design.type === 'frame') {
      const searchIn = numbers.kind(design.definition.searchIn);
      return { type: 'frame', kind, definition: { ...design.definition, searchIn } };
    }
    if (design.type === 'words') return { type: 'words', kind, definition: design.definition };
    if (design.type === 'redirects') return { type: 'redirects', kind, definition: design.definition };
    return { type: 'page', kind, definition: withPageNumbers(design.definition, numbers) };
  });
}

function selectionIn(selection: Selection, { kinds, content }: BlueprintSource): BlueprintSelection {
  const { id: _, version: __, ...definition } = selection;
  const slugOf = (id: number): string[] => kinds.filter((kind) => kind.id === id).map(({ slug }) => slug);
  const placeOf = (id: number): string[] => {
    const listing = content?.listings.find((one) => one.id === id);
    return listing ? slugOf(listing.kindId).map((kind) => `${kind}/${listing.slug}`) : [];
  };
  return {
    ...definition,
    kinds: definition.kinds.flatMap(slugOf),
    picked: definition.picked && definition.picked.flatMap(placeOf),
  };
}

function connectionsOf(
  link: Link,
  connections: readonly Connection[],
  slugs: ReadonlyMap<number, string>,
): BlueprintConnection[] {
  return connections
    .filter(({ linkId, a, b }) => linkId === link.id && slugs.has(a) && slugs.has(b))
    .map(({ a, b, note, aOrder, bOrder }) => ({ a: slugs.get(a)!, b: slugs.get(b)!, note, aOrder, bOrder }))
    .sort((x, y) => x.aOrder - y.aOrder || compare(`${x.a} ${x.b}`, `${y.a} ${y.b}`));
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

function definitionOf({ id: _, version: __, ...definition }: Kind): KindDefinition {
  return withoutLinks(withoutCategories(definition));
}

/** Turns the numbers of category sets and links in fields into others. */
export interface FieldNumbers {
  readonly set: (number: number) => number;
  readonly link: (number: number) => number;
}

/** A kind with the numbers in the settings of its fields turned into others. */
export function withNumbers<Subject extends Pick<KindDefinition, 'fields'>>(
  kind: Subject,
  numbers: FieldNumbers,
): Subject {
  const turned = (field: Field): Field => {
    const { set, link } = field.settings;
    if (set === undefined && link === undefined) return field;
    return {
      ...field,
      settings: {
        ...field.settings,
        ...(set !== undefined && { set: numbers.set(set) }),
        ...(link !== undefined && { link: numbers.link(link) }),
      },
    };
  };
  return { ...kind, fields: kind.fields.map(turned) };
}

/** What applying a blueprint would do, in short sentences. */
export interface BlueprintPlan {
  readonly adds: readonly string[];
  readonly changes: readonly string[];
  /** What it names and neither holds nor finds here. */
  readonly lacks: readonly string[];
}

/** Compares a blueprint with what is there; the numbers of listings are only told, never compared. */
export function planBlueprint(
  blueprint: Blueprint,
  here: Blueprint,
  hasPicture: (hash: string) => boolean,
): BlueprintPlan {
  const adds: string[] = [];
  const changes: string[] = [];
  const tell = (name: string, own: unknown, theirs: unknown): void => {
    if (own === undefined) adds.push(name);
    else if (!isSame(own, theirs)) changes.push(name);
  };
  if (!isSame(here.site, blueprint.site)) changes.push('the settings of the site');
  for (const set of blueprint.categorySets) {
    tell(
      `the category set ${set.label}`,
      here.categorySets.find(({ slug }) => slug === set.slug),
      set,
    );
  }
  for (const kind of blueprint.kinds) {
    const own = here.kinds.find(({ slug }) => slug === kind.slug);
    tell(`the kind ${kind.many}`, own, kind);
    for (const field of own ? kind.fields : []) {
      tell(
        `${field.label} of ${kind.many}`,
        own!.fields.find(({ key }) => key === field.key),
        field,
      );
    }
  }
  for (const { a, b, ...link } of blueprint.links) {
    const own = here.links.find((other) => sameEnds(other, { a, b }));
    tell(`the link between ${a.kind} and ${b.kind}`, own && { a: own.a, b: own.b, hasNotes: own.hasNotes }, {
      a,
      b,
      hasNotes: link.hasNotes,
    });
  }
  for (const selection of blueprint.selections ?? []) {
    // Which listings are picked can only be told when they go with it.
    const plain = (one: BlueprintSelection | undefined): unknown => one && { ...one, picked: one.picked && [] };
    tell(
      `the selection ${selection.name}`,
      plain(here.selections?.find(({ slug }) => slug === selection.slug)),
      plain(selection),
    );
  }
  for (const design of blueprint.designs ?? []) {
    const own = here.designs?.find((other) => isSameDesign(other, design));
    tell(`the ${design.type} ${design.definition.name}`, own, design);
  }
  const listings = blueprint.listings ?? [];
  if (listings.length > 0) adds.push(listings.length === 1 ? 'one listing' : `${listings.length} listings`);
  const pictures = new Set(hashesIn([blueprint.categorySets, listings]));
  const missing = [...pictures].filter((hash) => !hasPicture(hash)).length;
  const lacks = missing === 0 ? [] : [missing === 1 ? 'one picture or file' : `${missing} pictures or files`];
  return { adds, changes, lacks };
}

/** Whether two designs are one in two states: of the same sort, kind and name. */
export function isSameDesign(one: BlueprintDesign, other: BlueprintDesign): boolean {
  return one.type === other.type && one.kind === other.kind && one.definition.name === other.definition.name;
}

export function sameEnds(one: Pick<BlueprintLink, 'a' | 'b'>, other: Pick<BlueprintLink, 'a' | 'b'>): boolean {
  const isSame = (x: BlueprintEnd, y: BlueprintEnd): boolean => x.kind === y.kind && x.field === y.field;
  return isSame(one.a, other.a) && isSame(one.b, other.b);
}

/** The hashes of pictures and files anywhere in a value. */
export function hashesIn(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return [];
  const { hash } = value as { hash?: unknown };
  return [...(typeof hash === 'string' ? [hash] : []), ...Object.values(value).flatMap(hashesIn)];
}

/** A value without the pictures and files that are not kept here. */
export function withoutMissing(value: unknown, isKept: (hash: string) => boolean): unknown {
  if (Array.isArray(value)) {
    return value.map((one: unknown) => withoutMissing(one, isKept)).filter((one) => one !== undefined);
  }
  if (typeof value !== 'object' || value === null) return value;
  const { hash } = value as { hash?: unknown };
  if (typeof hash === 'string' && !isKept(hash)) return undefined;
  const entries = Object.entries(value).map(([key, one]) => [key, withoutMissing(one, isKept)] as const);
  return Object.fromEntries(entries.filter(([, one]) => one !== undefined));
}
