import type { Listing, ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS, leavesAt } from '@plindo/core/listings';
import type { BuiltInKey, Field, Kind, LinkedListing, OrderSubject } from '@plindo/core/structure';
import { builtInField, columnOf, fieldType, textOfMoment } from '@plindo/core/structure';
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

export const TITLE: TableColumn = {
  field: builtInField('title'),
  sort: '@title',
  widthPx: 260,
  editing: 'cell',
  valueOf: ({ title }) => title,
  inputFor: (title) => ({ title: title ?? '' }),
};

const HAND_ORDER: TableColumn = {
  field: builtInField('handOrder'),
  sort: '@handOrder',
  widthPx: 130,
  editing: 'cell',
  valueOf: ({ handOrder }) => handOrder ?? undefined,
  inputFor: (handOrder) => ({ handOrder }),
};

const EDITABLE_STATUSES = STATUSES.filter((status) => status !== 'binned');

const STATUS: TableColumn = {
  field: {
    ...builtInField('status'),
    settings: { choices: EDITABLE_STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  },
  sort: '@status',
  widthPx: 130,
  editing: 'cell',
  valueOf: ({ status }) => status,
  inputFor: (status) => ({ status: status ?? 'draft' }),
};

type MomentKey = Exclude<Extract<BuiltInKey, `${string}At` | `${string}From` | `${string}Until`>, 'leavesAt'>;

/** A column of a moment that the store writes. */
function momentColumn(name: MomentKey): TableColumn {
  return {
    field: { ...builtInField(name), inTable: false },
    sort: `@${name}`,
    widthPx: 190,
    editing: null,
    valueOf(listing) {
      const moment = listing[name];
      return moment === null ? undefined : new Date(moment).toISOString();
    },
    inputFor: () => ({}),
  };
}

/** A column of an end of a window, which editors set. */
function windowColumn(name: 'shownFrom' | 'shownUntil' | 'featuredFrom' | 'featuredUntil'): TableColumn {
  return {
    ...momentColumn(name),
    editing: 'cell',
    valueOf(listing) {
      const moment = listing[name];
      return moment === null ? undefined : textOfMoment(moment);
    },
    inputFor: (value) => ({ [name]: value ?? null }),
  };
}

const EXPIRY: TableColumn = {
  field: { ...builtInField('expiry'), inTable: false },
  sort: null,
  widthPx: 190,
  editing: 'cell',
  valueOf: ({ expiry }) => expiry ?? undefined,
  inputFor: (expiry) => ({ expiry: expiry ?? null }),
};

/** When listings leave the site, by their own moment or by the rule of their kind. */
function leavingColumn(kind: Kind, zone: string): TableColumn {
  return {
    field: builtInField('leavesAt'),
    sort: '@leavesAt',
    widthPx: 190,
    editing: null,
    valueOf(listing) {
      const moment = leavesAt(listing, kind, zone);
      return moment === null ? undefined : textOfMoment(moment);
    },
    inputFor: () => ({}),
  };
}

/** Counted while visitors look at pages; nobody sets it. */
const VIEWS: TableColumn = {
  field: builtInField('views'),
  sort: '@views',
  widthPx: 140,
  editing: null,
  valueOf: ({ views }) => views,
  inputFor: () => ({}),
};

export const BINNED = momentColumn('binnedAt');

/** All columns that the table of a kind can have beside the title; moments are those of the zone. */
export function columnsOf(kind: Kind, zone: string): TableColumn[] {
  return [
    HAND_ORDER,
    ...kind.fields.map(fieldColumn),
    STATUS,
    ...(kind.expiry ? [leavingColumn(kind, zone), EXPIRY] : []),
    VIEWS,
    windowColumn('shownFrom'),
    windowColumn('shownUntil'),
    windowColumn('featuredFrom'),
    windowColumn('featuredUntil'),
    momentColumn('publishedAt'),
    momentColumn('createdAt'),
    momentColumn('changedAt'),
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
