import type { Field } from '../../structure/index.js';
import type { AsideValue, ListingContent } from '../listing.js';
import type { NameIndex } from './name-index.js';
import { textsOf } from './naming.js';

/** A text that names no listing, or several, with how many listings hold it. */
export interface UnmatchedText {
  readonly text: string;
  /** How many listings hold the text. */
  readonly listings: number;
  readonly why: 'none' | 'several';
}

/** What making a link of a field comes to, before anything is done. */
export interface FieldToLinkReport {
  /** Listings that are connected with all that they name, those where something is kept aside, and those that name nothing. */
  readonly connected: number;
  readonly incomplete: number;
  readonly empty: number;
  readonly connections: number;
  /** What found no listing; the most frequent first, at most 100. */
  readonly unmatched: readonly UnmatchedText[];
}

const MOST_TOLD = 100;

/** Makes connections of what a field says of one listing after the other. */
export class FieldToLink {
  private readonly counts = { connected: 0, incomplete: 0, empty: 0, connections: 0 };
  private readonly unmatched = new Map<string, UnmatchedText>();

  constructor(
    private readonly field: Field,
    private readonly names: NameIndex,
  ) {}

  get report(): FieldToLinkReport {
    const unmatched = [...this.unmatched.values()].sort((a, b) => b.listings - a.listings).slice(0, MOST_TOLD);
    return { ...this.counts, unmatched };
  }

  /**
   * The listings that one is connected with, in the order that it names them, and the listing without the text: what names
   * no listing, or several, is kept aside.
   */
  apply(content: Pick<ListingContent, 'values' | 'aside'>): {
    readonly ids: readonly number[];
    readonly content: Pick<ListingContent, 'values' | 'aside'>;
  } {
    const { key, type } = this.field;
    const { [key]: value, ...values } = content.values;
    const texts = textsOf(value, this.field);
    if (texts.length === 0) {
      this.counts.empty++;
      return { ids: [], content: { values, aside: content.aside } };
    }
    const ids = new Set<number>();
    const left: string[] = [];
    for (const text of texts) {
      const named = this.names.find(text);
      if (typeof named === 'object') ids.add(named.id);
      else {
        left.push(text);
        const known = this.unmatched.get(text)?.listings ?? 0;
        this.unmatched.set(text, { text, listings: known + 1, why: named });
      }
    }
    this.counts.connections += ids.size;
    this.counts[left.length === 0 ? 'connected' : 'incomplete']++;
    const put: AsideValue = { type, text: left.join('; ') };
    const aside = left.length === 0 ? content.aside : { ...content.aside, [key]: put };
    return { ids: [...ids], content: { values, aside } };
  }
}
