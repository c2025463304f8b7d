import type { Listing, ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS } from '@plindo/core/listings';
import type { Field, Kind, OrderSubject } from '@plindo/core/structure';
import { columnOf, fieldType, makeField } from '@plindo/core/structure';

/** A column of the listing table: a field of the kind, or a built-in part in the guise of one. */
export interface TableColumn {
  readonly field: Field;
  readonly sort: OrderSubject | null;
  readonly widthPx: number;
  readonly editable: boolean;
  valueOf(listing: Listing): unknown;
  inputFor(value: unknown): ListingInput;
}

export const TITLE: TableColumn = {
  field: makeField({ key: 'title', label: 'Title', type: 'short-text' }),
  sort: 'title',
  widthPx: 260,
  editable: true,
  valueOf: ({ title }) => title,
  inputFor: (title) => ({ title: title ?? '' }),
};

export const HAND_ORDER: TableColumn = {
  field: makeField({ key: 'handOrder', label: 'Hand order', type: 'decimal' }),
  sort: 'hand-order',
  widthPx: 120,
  editable: true,
  valueOf: ({ handOrder }) => handOrder ?? undefined,
  inputFor: (handOrder) => ({ handOrder }),
};

const EDITABLE_STATUSES = STATUSES.filter((status) => status !== 'binned');

export const STATUS: TableColumn = {
  field: makeField({
    key: 'status',
    label: 'Status',
    type: 'one-choice',
    required: true,
    settings: { choices: EDITABLE_STATUSES.map((key) => ({ key, label: STATUS_LABELS[key] })) },
  }),
  sort: 'status',
  widthPx: 120,
  editable: true,
  valueOf: ({ status }) => status,
  inputFor: (status) => ({ status: status ?? 'draft' }),
};

/** The columns of a kind's own fields, shown or not. */
export function fieldColumns(kind: Kind): TableColumn[] {
  return kind.fields.map((field) => {
    const type = fieldType(field.type);
    return {
      field,
      sort: columnOf(field) ? (`field:${field.key}` as const) : null,
      widthPx: type.control === 'number' || type.control === 'yes-no' ? 130 : 190,
      editable: type.short && field.editInTable,
      valueOf: (listing: Listing) => listing.values[field.key],
      inputFor: (value: unknown) => ({ values: { [field.key]: value } }),
    };
  });
}
