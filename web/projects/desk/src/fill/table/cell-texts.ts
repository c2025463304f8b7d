import type { Listing } from '@plindo/core/listings';
import { fieldType } from '@plindo/core/structure';
import type { Formats } from '@plindo/core/values';
import type { TableColumn } from './table-columns';

/** The texts of cells, made once for each listing: scrolling asks for them again and again. */
export class CellTexts {
  private readonly byListing = new WeakMap<Listing, Map<string, string>>();

  constructor(private readonly formats: Formats) {}

  of(listing: Listing, column: TableColumn): string {
    const texts = this.byListing.get(listing) ?? new Map<string, string>();
    this.byListing.set(listing, texts);
    const { key } = column.field;
    const known = texts.get(key);
    if (known !== undefined) return known;
    const value = column.valueOf(listing);
    const type = fieldType(column.field.type);
    const text = type.holds(value) ? type.format(value, column.field, this.formats) : '';
    texts.set(key, text);
    return text;
  }
}
