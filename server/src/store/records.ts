import type { Design, Draft } from '@plindo/core/design';
import { makeCard, makeForm, makeFrame, makeLook, makePage, makeRedirects, makeWords } from '@plindo/core/design';
import type { User, Role } from '@plindo/core/contract';
import type { Connection, Listing, Status } from '@plindo/core/listings';
import type {
  CategorySet,
  CategorySetDefinition,
  ExpiryChoice,
  KindDefinition,
  Link,
  Picture,
  PictureRecord,
  Place,
  Selection,
  SelectionDefinition,
  StoredKind,
} from '@plindo/core/structure';
import { makeCategory, makeKindDefinition, makeSelection, storedDefinition } from '@plindo/core/structure';
import type { Submission } from '@plindo/core/submissions';
import type { Row } from './rows.js';

export type { Row } from './rows.js';

/** JSON columns come parsed or as text, depending on the dialect and on how they are read. */
export function parsed<T>(column: unknown): T {
  return (typeof column === 'string' ? JSON.parse(column) : column) as T;
}

/** A number of a row; null where it has none. */
export function numberOrNull(column: unknown): number | null {
  return column == null ? null : Number(column);
}

export function listingOf(row: Row): Listing {
  return {
    id: Number(row['id']),
    kindId: Number(row['kindId']),
    slug: String(row['slug']),
    address: String(row['address']),
    title: String(row['title']),
    summary: String(row['summary']),
    picture: row['picture'] == null ? null : parsed<Picture | null>(row['picture']),
    body: String(row['body'] ?? ''),
    place: row['place'] == null ? null : parsed<Place | null>(row['place']),
    author: String(row['author'] ?? ''),
    aside: row['aside'] == null ? {} : parsed<Listing['aside']>(row['aside']),
    values: parsed<Record<string, unknown>>(row['values']),
    status: row['status'] as Status,
    shownFrom: numberOrNull(row['shownFrom']),
    shownUntil: numberOrNull(row['shownUntil']),
    expiry: (row['expiry'] ?? null) as ExpiryChoice | null,
    featured: Boolean(row['featured']),
    featuredFrom: numberOrNull(row['featuredFrom']),
    featuredUntil: numberOrNull(row['featuredUntil']),
    handOrder: numberOrNull(row['handOrder']),
    version: Number(row['version']),
    createdAt: Number(row['createdAt']),
    changedAt: Number(row['changedAt']),
    publishedAt: numberOrNull(row['publishedAt']),
    binnedAt: numberOrNull(row['binnedAt']),
  };
}

export function kindOf(row: Row): StoredKind {
  const kept = parsed<Omit<KindDefinition, 'slug'>>(row['definition']);
  // What was written before a property existed has its default.
  const definition = makeKindDefinition({ ...kept, slug: String(row['slug']) });
  return { id: Number(row['id']), version: Number(row['version']), definition };
}

/** A kind as the change log has it: as one flat object. */
export function loggedKind({ id, version, definition }: StoredKind): object {
  return { ...definition, id, version };
}

export function kindOfLog(logged: object): StoredKind {
  const { id, version, ...definition } = logged as KindDefinition & { id: number; version: number };
  return { id, version, definition: storedDefinition(makeKindDefinition(definition)) };
}

export function categorySetOf(row: Row): CategorySet {
  const definition = parsed<Omit<CategorySetDefinition, 'slug'>>(row['definition']);
  // What was written before a property of categories existed has its default.
  const categories = definition.categories.map(makeCategory);
  return {
    ...definition,
    categories,
    id: Number(row['id']),
    slug: String(row['slug']),
    version: Number(row['version']),
  };
}

export function selectionOf(row: Row): Selection {
  const definition = parsed<Omit<SelectionDefinition, 'slug'>>(row['definition']);
  // What was written before a property existed has its default.
  const complete = makeSelection({ ...definition, slug: String(row['slug']) });
  return { ...complete, id: Number(row['id']), version: Number(row['version']) };
}

export function designOf(row: Row): Design {
  const [id, version, position] = [row['id'], row['version'], row['position']].map(Number);
  const draft = parsed<Draft | null>(row['draft'] ?? 'null');
  const kept = {
    id,
    version,
    kindId: numberOrNull(row['kindId']),
    position,
    type: row['type'],
    ...(draft && { draft }),
  };
  return completeDesign({ ...kept, definition: parsed(row['definition']) } as Design);
}

/** A design as it was written at any time: what was written before a property existed has its default. */
export function completeDesign(design: Design): Design {
  switch (design.type) {
    case 'card':
      return { ...design, definition: makeCard(design.definition) };
    case 'page':
      return { ...design, definition: makePage(design.definition) };
    case 'look':
      return { ...design, definition: makeLook(design.definition) };
    case 'words':
      return { ...design, definition: makeWords(design.definition) };
    case 'redirects':
      return { ...design, definition: makeRedirects(design.definition) };
    case 'form':
      return { ...design, definition: makeForm(design.definition) };
    case 'frame':
      return { ...design, definition: makeFrame(design.definition) };
  }
}

export function linkOf(row: Row): Link {
  const definition = parsed<Omit<Link, 'id' | 'version'>>(row['definition']);
  return { ...definition, id: Number(row['id']), version: Number(row['version']) };
}

export function rowOfLink({ id, version, ...definition }: Link): Row {
  return { id, version, definition };
}

export function connectionOf(row: Row): Connection {
  return {
    id: Number(row['id']),
    linkId: Number(row['linkId']),
    a: Number(row['a']),
    b: Number(row['b']),
    note: String(row['note']),
    aOrder: Number(row['aOrder']),
    bOrder: Number(row['bOrder']),
  };
}

/** A submission as the change log has it: without who sent it. */
export function submissionOf(row: Row): Submission {
  const definition = parsed<SubmissionDefinition>(row['definition']);
  const [id, version, kindId, createdAt, changedAt] = [
    row['id'],
    row['version'],
    row['kindId'],
    row['createdAt'],
    row['changedAt'],
  ].map(Number) as [number, number, number, number, number];
  return {
    ...{ id, version, kindId, createdAt, changedAt, listingId: numberOrNull(row['listingId']) },
    ...{ state: row['state'] as Submission['state'], intent: row['intent'] as Submission['intent'] },
    ...definition,
  };
}

type SubmissionDefinition = Pick<
  Submission,
  'formId' | 'title' | 'values' | 'was' | 'message' | 'suspicions' | 'reason' | 'decidedAt'
>;

export function rowOfSubmission(submission: Submission): Row {
  const { id, version, state, intent, kindId, listingId, createdAt, changedAt, ...definition } = submission;
  const suspected = definition.suspicions.length > 0;
  return { id, version, state, intent, kindId, listingId, createdAt, changedAt, suspected, definition };
}

/** A category set or a selection as the columns of its row. */
export function rowOfDefined({ id, slug, version, ...definition }: CategorySet | Selection): Row {
  return { id, slug, version, definition };
}

export function rowOfKind({ id, version, definition: { slug, ...definition } }: StoredKind): Row {
  return { id, slug, version, definition };
}

export function pictureOf(row: Row): PictureRecord {
  return {
    hash: String(row['hash']),
    number: Number(row['number']),
    width: Number(row['width']),
    height: Number(row['height']),
    fileName: String(row['fileName']),
    source: String(row['source']),
    bytes: Number(row['bytes']),
    createdAt: Number(row['createdAt']),
  };
}

export function userOf(row: Row): User {
  return {
    id: Number(row['id']),
    email: String(row['email']),
    name: String(row['name']),
    role: row['role'] as Role,
  };
}
