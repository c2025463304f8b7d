import type { CategorySet, Field, Kind, ReadContext } from '../../structure/index.js';
import { fieldType, isWebAddress } from '../../structure/index.js';
import { foldText, parseNumber } from '../../values/index.js';
import type { Listing } from '../listing.js';
import { isShown } from '../reading/read-listing.js';

/** Something wrong with listings or structure although each single value was right when it was entered. */
export const PROBLEM_CODES = [
  'out-of-date',
  'due-failed',
  'mail-failed',
  'missing-value',
  'kept-aside',
  'unfit-value',
  'broken-address',
  'numbers-as-text',
  'same-title',
  'no-alt-text',
  'unused-category',
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

/** One place of a problem: a listing, or a category. */
export interface ProblemPlace {
  /** Absent where a category is meant. */
  readonly listingId?: number;
  readonly title: string;
  /** What was found there; '' where the title says it all. */
  readonly detail: string;
}

/** The same problem of one field, one kind or one category set. */
export interface FoundProblem {
  readonly code: ProblemCode;
  /** Null where a category set is meant. */
  readonly kindId: number | null;
  /** Null where a kind is meant. */
  readonly setId: number | null;
  /** Key of the field, where one is concerned. */
  readonly field: string | null;
  /** What is wrong, as a heading. */
  readonly sentence: string;
  readonly total: number;
  /** The first places. */
  readonly places: readonly ProblemPlace[];
}

const MOST_PLACES = 50;
const FEWEST_NUMBERS = 5;
const PART_OF_NUMBERS = 0.9;
const ADDRESS_IN_TEXT = /(?:^|[\s(])((?:https?[:/]|www\.)[^\s<>")]*)/gi;
const HREF = /<a\s[^>]*href="([^"]*)"/gi;

interface Gathered {
  readonly code: ProblemCode;
  readonly field: string | null;
  readonly sentence: string;
  total: number;
  readonly places: ProblemPlace[];
}

/** Looks through the listings of one kind, one after the other; what lies in the bin doesn't count. */
export class KindProblems {
  private readonly gathered = new Map<string, Gathered>();
  private readonly titles = new Map<string, { readonly first: ProblemPlace; count: number }>();
  private readonly texts: Map<string, { filled: number; numbers: number; readonly places: ProblemPlace[] }>;

  constructor(
    private readonly kind: Kind,
    private readonly context: ReadContext,
  ) {
    const texts = kind.fields.filter(({ type }) => type === 'short-text');
    this.texts = new Map(texts.map(({ key }) => [key, { filled: 0, numbers: 0, places: [] }]));
  }

  /** Takes in a listing, complete with its links. */
  look(listing: Listing): void {
    if (listing.status === 'binned') return;
    for (const field of this.kind.fields) this.lookAt(listing, field);
    for (const [key, { text }] of Object.entries(listing.aside)) {
      const label = this.kind.fields.find((field) => field.key === key)?.label ?? key;
      this.add(listing, 'kept-aside', key, `${label} of ${this.kind.many} kept aside when its type was changed`, text);
    }
    for (const address of [...listing.body.matchAll(HREF)].map(([, href]) => href ?? '')) {
      if (isBroken(address)) this.add(listing, 'broken-address', 'body', this.brokenSentence('Body'), address);
    }
    if (listing.picture?.alt === '') {
      const sentence = `Lead pictures of ${this.kind.many} without words for those who cannot see them`;
      this.add(listing, 'no-alt-text', null, sentence, '');
    }
    this.countTitle(listing);
  }

  /** Everything that was found, in the order of the codes. */
  result(): FoundProblem[] {
    const all = [...this.gathered.values(), ...this.sameTitles(), ...this.numbersAsText()];
    return PROBLEM_CODES.flatMap((code) => all.filter((one) => one.code === code)).map((one) => ({
      ...one,
      kindId: this.kind.id,
      setId: null,
    }));
  }

  private lookAt(listing: Listing, field: Field): void {
    const value = listing.values[field.key];
    const type = fieldType(field.type);
    if (!type.holds(value)) {
      const isMissing = field.required && isShown(field, listing.values, this.kind, this.context);
      const sentence = `${field.label} of ${this.kind.many} is required and missing`;
      if (isMissing) this.add(listing, 'missing-value', field.key, sentence, '');
      return;
    }
    if (type.control === 'none' || field.type === 'link') return;
    for (const address of addressesIn(field, value)) {
      if (!isBroken(address)) continue;
      this.add(listing, 'broken-address', field.key, this.brokenSentence(field.label), address);
    }
    const read = type.read(value, field, this.context);
    if (!read.ok) {
      const sentence = `${field.label} of ${this.kind.many} does not fit its field any more`;
      this.add(listing, 'unfit-value', field.key, sentence, read.issue.message);
    }
    this.countNumber(listing, field, value);
  }

  private brokenSentence(label: string): string {
    return `Broken web addresses in ${label} of ${this.kind.many}`;
  }

  private add(listing: Listing, code: ProblemCode, field: string | null, sentence: string, detail: string): void {
    const id = `${code} ${field ?? ''}`;
    const known = this.gathered.get(id) ?? { code, field, sentence, total: 0, places: [] };
    known.total++;
    if (known.places.length < MOST_PLACES) known.places.push(placeOf(listing, detail));
    this.gathered.set(id, known);
  }

  private countTitle(listing: Listing): void {
    const folded = foldText(listing.title);
    const known = this.titles.get(folded);
    if (known) known.count++;
    else this.titles.set(folded, { first: placeOf(listing, ''), count: 1 });
  }

  private sameTitles(): Gathered[] {
    const twice = [...this.titles.values()].filter(({ count }) => count > 1);
    if (twice.length === 0) return [];
    const places = twice
      .slice(0, MOST_PLACES)
      .map(({ first, count }) => ({ ...first, detail: `${count} of this title` }));
    const sentence = `${this.kind.many} that are called the same`;
    return [{ code: 'same-title', field: null, sentence, total: twice.length, places }];
  }

  private countNumber(listing: Listing, { key }: Field, value: unknown): void {
    const counted = this.texts.get(key);
    if (!counted || typeof value !== 'string') return;
    counted.filled++;
    // A leading zero marks a code, not a number.
    if (/^0\d/.test(value) || parseNumber(value, this.context.marks) === null) return;
    counted.numbers++;
    if (counted.places.length < MOST_PLACES) counted.places.push(placeOf(listing, value));
  }

  private numbersAsText(): Gathered[] {
    return [...this.texts].flatMap(([field, { filled, numbers, places }]) => {
      if (numbers < FEWEST_NUMBERS || numbers / filled < PART_OF_NUMBERS) return [];
      const label = this.kind.fields.find(({ key }) => key === field)?.label ?? field;
      const sentence = `${label} of ${this.kind.many} holds numbers as text: they sort 1, 10, 2 and cannot be a range`;
      return [{ code: 'numbers-as-text' as const, field, sentence, total: numbers, places }];
    });
  }
}

/** A kind whose pages may be out of date: a change is in the store, but could not be applied to what answers visitors. */
export function outOfDate(kindId: number, many: string, reason: string): FoundProblem {
  return {
    code: 'out-of-date',
    kindId,
    setId: null,
    field: null,
    sentence: `Pages of ${many} may be out of date. Nothing is lost: Plindo reads all of them anew until it succeeds`,
    total: 1,
    places: [{ title: many, detail: reason }],
  };
}

/** The categories of a set that no listing has, by the counts of its categories. */
export function unusedCategories(set: CategorySet, counts: Readonly<Record<string, number>>): FoundProblem[] {
  const unused = set.categories.filter(({ key }) => (counts[key] ?? 0) === 0);
  if (unused.length === 0) return [];
  return [
    {
      code: 'unused-category',
      kindId: null,
      setId: set.id,
      field: null,
      sentence: `Categories of ${set.label} that no listing has`,
      total: unused.length,
      places: unused.slice(0, MOST_PLACES).map(({ label }) => ({ title: label, detail: '' })),
    },
  ];
}

function placeOf({ id, title }: Listing, detail: string): ProblemPlace {
  return { listingId: id, title, detail };
}

/** What in a value is, or is meant to be, a web address. */
function addressesIn({ type }: Field, value: unknown): string[] {
  if (typeof value !== 'string') return [];
  if (type === 'web-address') return [value];
  if (type === 'rich-text') return [...value.matchAll(HREF)].map(([, href]) => href ?? '');
  if (type !== 'short-text' && type !== 'long-text') return [];
  return [...value.matchAll(ADDRESS_IN_TEXT)].map(([, found]) => (found ?? '').replace(/[.,;:!?]+$/, ''));
}

function isBroken(address: string): boolean {
  const isOther = /^(mailto:|tel:|\/|#)/i.test(address);
  return !isOther && !isWebAddress(address);
}
