import type { Picture } from '../../structure/index.js';

/** One value of a listing as it is shown. */
export interface ValueModel {
  readonly text: string;
  readonly shape:
    | 'text'
    | 'long-text'
    | 'rich-text'
    | 'link'
    | 'file'
    | 'pictures'
    | 'place'
    | 'colour'
    | 'rating'
    | 'icons'
    | 'links'
    | 'group'
    | 'rows';
  /** Where a link or a file leads. */
  readonly href?: string;
  readonly pictures?: readonly Picture[];
  /** Cleaned HTML of a rich text. */
  readonly html?: string;
  /** As #rrggbb. */
  readonly colour?: string;
  readonly stars?: { readonly given: number; readonly of: number };
  /** Of categories: names of icons, each with the label that it stands for. */
  readonly icons?: readonly { readonly name: string; readonly label: string }[];
  /** The values inside a group. */
  readonly parts?: readonly SlotModel[];
  readonly rows?: RowsModel;
  /** Linked listings, in their order; one without a page of its own has no address. */
  readonly links?: readonly { readonly text: string; readonly href: string | null; readonly note: string }[];
}

/** One labelled value on a listing page. */
export interface SlotModel extends ValueModel {
  readonly key: string;
  readonly label: string;
  readonly icon: string;
}

/** Rows as a table of texts. */
export interface RowsModel {
  readonly columns: readonly { readonly key: string; readonly label: string }[];
  readonly rows: readonly (readonly string[])[];
}
