import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, keptThingsOf, readListing } from '@plindo/core/listings';
import { fieldsToNumber, withoutLinked } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { hasPart } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { refuseNotKept } from '../media/kept.js';
import { refuseOutdated } from '../editing.js';
import { editConnections } from './connecting.js';

/** Adds a listing inside a unit, with its links; `author` is who writes it, where the input names nobody. Refused by what its values are refused for. */
export async function addListing(unit: Unit, kind: Kind, input: ListingInput, author: string): Promise<Listing> {
  const written = hasPart(kind, 'author') && input.author === undefined ? { author } : {};
  const { content, issues } = readListing({ ...input, ...written }, kind, unit.context());
  refuseIfAny(issues);
  await refuseNotKept(unit, keptThingsOf(content, kind.fields));
  const slug = await slugFor(unit, kind, content.slug, Boolean(input.slug));
  const [numbered] = await withReferences(unit, kind, [content]);
  const values = withoutLinked(numbered!.values, kind);
  const [listing] = await unit.insertListings(kind.id, [{ ...numbered!, values, slug }]);
  await editConnections(unit, kind, listing!.id, input.values ?? {});
  return listing!;
}

/**
 * Changes what an input gives of a listing and leaves the rest, inside a unit; `version` is the one that the editor has seen,
 * null where that doesn't matter. Refused by what its values are refused for, then by `change.conflict`.
 */
export async function changeListing(
  unit: Unit,
  kind: Kind,
  before: Listing,
  input: ListingInput,
  version: number | null,
): Promise<Listing> {
  const { content, issues } = readListing(input, kind, unit.context(), contentOf(before));
  refuseIfAny(issues);
  await refuseNotKept(unit, keptThingsOf(content, kind.fields));
  if (version !== null) refuseOutdated(before, version, before.title);
  if (content.slug !== before.slug) await slugFor(unit, kind, content.slug, true);
  const [numbered] = await withReferences(unit, kind, [content]);
  const values = withoutLinked(numbered!.values, kind);
  await editConnections(unit, kind, before.id, input.values ?? {});
  return unit.updateListing(before, { ...numbered!, values });
}

/** An address that is free in a kind: the wanted one, or, where it needn't be exactly that, one like it. */
async function slugFor(unit: Unit, kind: Kind, wanted: string, isAsked: boolean): Promise<string> {
  if (!isAsked) return unit.freeSlug(kind.id, wanted);
  if (await unit.hasSlug(kind.id, wanted)) {
    throw Refusal.of('listing.slug-taken', { slug: wanted, kind: kind.one }, 'slug');
  }
  return wanted;
}

/** Contents with the next reference number in each reference field that has none. */
export async function withReferences<Content extends Pick<ListingContent, 'values'>>(
  unit: Unit,
  kind: Pick<Kind, 'id' | 'fields'>,
  contents: readonly Content[],
): Promise<Content[]> {
  const result = [...contents];
  for (const field of kind.fields.filter(({ type }) => type === 'reference')) {
    const places = result.flatMap(({ values }, at) => (fieldsToNumber(values, [field]).length > 0 ? [at] : []));
    if (places.length === 0) continue;
    const given = await unit.references(kind.id, field, places.length);
    places.forEach((at, turn) => {
      result[at] = { ...result[at]!, values: { ...result[at]!.values, [field.key]: given[turn] } };
    });
  }
  return result;
}
