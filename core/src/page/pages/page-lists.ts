import { BLANK_QUERY, listOfKind, runQuery, runSelection } from '../../query/index.js';
import { SELECTIONS_SLUG } from '../../structure/index.js';
import type { ListScene } from '../areas/list-area.js';
import type { ShownListing } from '../cards/reached-values.js';
import { onSiteAt } from '../cards/reached-values.js';
import type { ListQuestion } from '../pieces/piece-maker.js';
import type { ChosenListings } from '../visitor/chosen-listings.js';
import { onSiteAmong } from '../visitor/chosen-listings.js';
import { alikeIds } from './alike-listings.js';

/** What was found for a question, before the listings are read. */
export interface FoundList {
  readonly total: number;
  readonly ids: readonly number[];
  readonly href: string | null;
}

export const NOTHING_FOUND: FoundList = { total: 0, ids: [], href: null };

/** The listings that a piece asks for, in their order. */
export function findList(
  question: ListQuestion,
  shown: ShownListing | null,
  chosen: ChosenListings | null,
  scene: ListScene,
): FoundList {
  switch (question.from) {
    case 'kind':
      return ofKind(question, scene);
    case 'selection':
      return ofSelection(question, shown, scene);
    case 'linked':
      return shown ? ofLink(question, shown) : NOTHING_FOUND;
    case 'related':
      return shown ? ofAlike(question, shown, scene) : NOTHING_FOUND;
    case 'shortlist':
      return ofChosen([...(chosen?.shortlist ?? []), ...(chosen?.sample ?? [])], scene);
    case 'compared':
      return ofChosen(chosen?.compared ?? [], scene);
    case 'recent':
      return ofChosen(chosen?.sample ?? [], scene);
  }
}

function ofChosen(chosen: readonly number[], { queries }: ListScene): FoundList {
  const ids = onSiteAmong(chosen, queries);
  return { total: ids.length, ids, href: null };
}

function ofKind({ of, most }: ListQuestion, { queries }: ListScene): FoundList {
  const catalog = queries.catalogOf(of);
  if (!catalog) return NOTHING_FOUND;
  const { slug, hasIndexPage } = catalog.kind;
  const list = listOfKind(catalog);
  const { grouping } = list.design;
  // In the order in which they stand on their own list, each once.
  const design = {
    ...{ ...list.design, pageSize: most, facets: [] },
    grouping: grouping && { ...grouping, spans: 'first' as const },
  };
  const { total, ids } = runQuery({ ...list, design }, BLANK_QUERY, queries);
  return { total, ids: ids.slice(0, most), href: hasIndexPage ? `/${slug}` : null };
}

function ofSelection(
  { of, most }: ListQuestion,
  shown: ShownListing | null,
  { queries, selections }: ListScene,
): FoundList {
  const selection = selections.find(({ id }) => id === of);
  if (!selection) return NOTHING_FOUND;
  const parameters = { listing: shown?.listing.id ?? null, category: null, date: null };
  const { total, ids } = runSelection({ ...selection, pageSize: most + 1 }, 1, queries, parameters);
  const isLeftOut = (id: number): boolean => selection.leavesOutCurrent && id === shown?.listing.id;
  const others = ids.filter((id) => !isLeftOut(id));
  const href = selection.published ? `/${SELECTIONS_SLUG}/${selection.slug}` : null;
  return { total: others.length < ids.length ? total - 1 : total, ids: others.slice(0, most), href };
}

function ofLink({ fields, most }: ListQuestion, { listing }: ShownListing): FoundList {
  const ids = [...new Set(fields.flatMap((key) => onSiteAt(listing, key).map(({ id }) => id)))];
  return { total: ids.length, ids: ids.slice(0, most), href: null };
}

function ofAlike(
  { fields, most }: ListQuestion,
  { listing, kind, context }: ShownListing,
  { queries }: ListScene,
): FoundList {
  const catalog = queries.catalogOf(kind.id);
  if (!catalog) return NOTHING_FOUND;
  const ids = alikeIds(listing.id, fields, catalog, { most, nowInMs: context.nowInMs });
  return { total: ids.length, ids, href: null };
}
