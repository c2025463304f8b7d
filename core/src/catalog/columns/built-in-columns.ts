import type { Listing } from '../../listings/index.js';
import { publishingTime } from '../../listings/index.js';
import type { BuiltInKey } from '../../structure/index.js';
import { BUILT_IN_FIELDS, BUILT_IN_MARK } from '../../structure/index.js';
import type { Column } from './field-columns.js';
import type { KeptNumbers } from './number-column.js';
import { NumberColumn } from './number-column.js';
import type { KeptPlaces } from './place-column.js';
import { PlaceColumn } from './place-column.js';
import type { KeptColumnTexts, TextColumn } from './text-column.js';

/** Of the built-in parts, those that are numbers and moments. */
type NumberKey = 'handOrder' | Extract<BuiltInKey, `${string}At` | `${string}From` | `${string}Until`>;
const NUMBERS = (Object.keys(BUILT_IN_FIELDS) as BuiltInKey[]).filter((key): key is NumberKey =>
  ['decimal', 'date-time'].includes(BUILT_IN_FIELDS[key].type),
);

type Parts = Readonly<Record<NumberKey, number | null>> & Pick<Listing, 'place'>;

const NOTHING: Parts = {
  ...(Object.fromEntries(NUMBERS.map((key) => [key, null])) as Record<NumberKey, null>),
  place: null,
};

/** What {@link BuiltInColumns} holds, to be kept; numbers in the order of {@link NUMBERS}. */
export interface KeptBuiltIn {
  readonly title: KeptColumnTexts;
  /** Null for a column that was never needed, as no listing had a value. */
  readonly numbers: readonly (KeptNumbers | null)[];
  readonly places: KeptPlaces | null;
}

/** The columns of what every listing has beside its fields. Most have none of some of these: a column is made when one has. */
export class BuiltInColumns {
  /** By their key with a mark before it ("@title"). */
  private readonly byKey = new Map<string, Column>();
  private readonly numbers: (NumberColumn | undefined)[] = [];
  private places: PlaceColumn | null = null;

  constructor(
    private readonly title: TextColumn,
    private capacity: number,
  ) {
    this.with('title', title);
  }

  get(key: string): Column | undefined {
    return this.byKey.get(key);
  }

  /** `leavesAt` is when it leaves the site, as its own window and the rule of its kind have it. */
  put(row: number, listing: Listing, leavesAt: number | null): void {
    this.title.put(row, listing.title);
    this.putParts(row, { ...listing, publishedAt: publishingTime(listing), leavesAt });
  }

  remove(row: number): void {
    this.title.put(row, null);
    this.putParts(row, NOTHING);
  }

  grow(capacity: number): void {
    this.capacity = capacity;
    for (const column of this.byKey.values()) column.grow(capacity);
  }

  kept(): KeptBuiltIn {
    return {
      title: this.title.kept(),
      numbers: NUMBERS.map((_, at) => this.numbers[at]?.kept() ?? null),
      places: this.places?.kept() ?? null,
    };
  }

  restore({ title, numbers, places }: KeptBuiltIn): void {
    this.title.restore(title);
    numbers.forEach((kept, at) => {
      if (kept) this.number(at).restore(kept);
    });
    if (places) this.place().restore(places);
  }

  private putParts(row: number, parts: Parts): void {
    for (let at = 0; at < NUMBERS.length; at++) {
      const value = parts[NUMBERS[at]!];
      (value === null ? this.numbers[at] : this.number(at))?.put(row, value);
    }
    (parts.place ? this.place() : this.places)?.put(row, parts.place);
  }

  private number(at: number): NumberColumn {
    return (this.numbers[at] ??= this.with(NUMBERS[at]!, new NumberColumn(this.capacity)));
  }

  private place(): PlaceColumn {
    return (this.places ??= this.with('place', new PlaceColumn(this.capacity)));
  }

  private with<Made extends Column>(key: BuiltInKey, column: Made): Made {
    this.byKey.set(`${BUILT_IN_MARK}${key}`, column);
    return column;
  }
}
