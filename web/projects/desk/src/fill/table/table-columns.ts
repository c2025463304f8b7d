import type { Listing, ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import type { Field, Kind, LinkedListing, OrderSubject } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, columnOf, fieldType, textOfMoment } from '@plindo/core/structure';
import { linkEdit } from '../link-edit';

/** A column of the listing table: a field of the kind, or a built-in part in the guise of one. */
export interface TableColumn {
  readonly field: Field;
  readonly sort: OrderSubject | null;
  readonly widthPx: number;
  /** Whether its values are changed right in the cell, or in a dialog with the control that a form has; null for not. */
  readonly editing: 'cell' | 'dialog' | null;
  valueOf(listing: Listing): unknown;
  inputFor(value: unknown, listing: Listing): ListingInput;
}

/** A built-in part under a key that no field can have: a kind may well have a field called "status". */
function own(field: Field): Field {
  return { ...field, key: `own.${field.key}` };
}

export const TITLE: TableColumn = {
  field: own(BUILT_IN_FIELDS.title),
  sort: 'title',
  widthPx: 260,
  editing: 'cell',
  valueOf: ({ title }) => title,
  inputFor: (title) => ({ title: title ?? '' }),
};

const HAND_ORDER: TableColumn = {
  field: own(BUILT_IN_FIELDS.handOrder),
  sort: 'hand-order',
  widthPx: 130,
  editing: 'cell',
  valueOf: ({ handOrder }) => handOrder ?? undefined,
  inputFor: (handOrder) => ({ handOrder }),
};

const EDITABLE_STATUSES = STATUSES.filter((status) => status !== 'binned');

const STATUS: TableColumn = {
  field: {
    ...own(BUILT_IN_FIELDS.status),
    settings: { choices: EDITABLE_STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  },
  sort: 'status',
  widthPx: 130,
  editing: 'cell',
  valueOf: ({ status }) => status,
  inputFor: (status) => ({ status: status ?? 'draft' }),
};

/** A column of a moment that the store writes. */
function momentColumn(field: Field, sort: OrderSubject, momentOf: (listing: Listing) => number | null): TableColumn {
  return {
    field: { ...own(field), inTable: false },
    sort,
    widthPx: 190,
    editing: null,
    valueOf(listing) {
      const moment = momentOf(listing);
      return moment === null ? undefined : new Date(moment).toISOString();
    },
    inputFor: () => ({}),
  };
}

/** A column of an end of a window, which editors set. */
function windowColumn(
  name: 'shownFrom' | 'shownUntil' | 'featuredFrom' | 'featuredUntil',
  sort: OrderSubject,
): TableColumn {
  return {
    ...momentColumn(BUILT_IN_FIELDS[name], sort, (listing) => listing[name]),
    editing: 'cell',
    valueOf(listing) {
      const moment = listing[name];
      return moment === null ? undefined : textOfMoment(moment);
    },
    inputFor: (value) => ({ [name]: value ?? null }),
  };
}

export const BINNED = momentColumn(BUILT_IN_FIELDS.binnedAt, 'binned', ({ binnedAt }) => binnedAt);

/** All columns that the table of a kind can have beside the title. */
export function columnsOf(kind: Kind): TableColumn[] {
  return [
    HAND_ORDER,
    ...kind.fields.map(fieldColumn),
    STATUS,
    windowColumn('shownFrom', 'shown-from'),
    windowColumn('shownUntil', 'shown-until'),
    windowColumn('featuredFrom', 'featured-from'),
    windowColumn('featuredUntil', 'featured-until'),
    momentColumn(BUILT_IN_FIELDS.publishedAt, 'published', ({ publishedAt }) => publishedAt),
    momentColumn(BUILT_IN_FIELDS.createdAt, 'newest', ({ createdAt }) => createdAt),
    momentColumn(BUILT_IN_FIELDS.changedAt, 'changed', ({ changedAt }) => changedAt),
  ];
}

function fieldColumn(field: Field): TableColumn {
  const { control, short } = fieldType(field.type);
  const isShort = short && control !== 'categories';
  return {
    field,
    sort: columnOf(field) ? (`field:${field.key}` as const) : null,
    widthPx: control === 'number' || control === 'yes-no' ? 140 : 190,
    editing: field.editInTable && control !== 'none' ? (isShort ? 'cell' : 'dialog') : null,
    valueOf: (listing) => listing.values[field.key],
    inputFor(value, listing) {
      const isLink = field.type === 'link';
      const input = isLink ? linkEdit(listing.values[field.key], value as readonly LinkedListing[]) : value;
      return { values: { [field.key]: input } };
    },
  };
}
