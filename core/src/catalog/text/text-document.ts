import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import { fieldType } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';

/** What the search reads of one listing. */
export interface TextDocument {
  readonly title: string;
  readonly summary: string;
  /** Words of the searchable fields, joined, by their weight. */
  readonly byWeight: ReadonlyMap<number, string>;
}

/** What the text search reads of a listing: title, summary and the words of its searchable fields. */
export function documentOf(listing: Listing, kind: Kind): TextDocument {
  const byWeight = new Map<number, string>();
  for (const field of kind.fields) {
    const value = listing.values[field.key];
    const type = fieldType(field.type);
    if (field.searchWeight === 0 || !type.holds(value)) continue;
    const words = type.words?.(value, field);
    if (words) byWeight.set(field.searchWeight, `${byWeight.get(field.searchWeight) ?? ''} ${words}`);
  }
  return { title: listing.title, summary: listing.summary, byWeight };
}

const SUMMARY_WEIGHT = 1.5;
/** A hit in the title comes to at least {@link TITLE_LEAST}, one elsewhere to less than {@link BODY_MOST}. */
const TITLE_LEAST = 0.55;
const BODY_MOST = 0.5;
/** How much a body hit counts for when there is one beside it in the title. */
const BESIDE_TITLE = 0.05;
/** Weighted hits at which a body comes to half of its most (the k1 of BM25). */
const HALF_STRENGTH = 1.5;
/** Words after which a hit in a text counts half. */
const HALF_LENGTH = 80;
const GREATEST_IMPACT = 255;

/**
 * How much each word of a document says about it, from 1 to 255. It depends on the document alone, so that it stays what
 * it is while others come and go: more hits say more, with less and less effect; a hit in a long text says less; one in
 * the title says most, and the more so the fewer words the title has. After BM25 (Robertson and Zaragoza, "The
 * Probabilistic Relevance Framework: BM25 and Beyond", 2009) with fields, without its mean length.
 */
export function impactsOf({ title, summary, byWeight }: TextDocument): Map<string, number> {
  const body = new Map<string, number>();
  addWords(body, summary, SUMMARY_WEIGHT);
  for (const [weight, text] of byWeight) addWords(body, text, weight);
  const titleWords = wordsOf(title);
  const titleShare = TITLE_LEAST + (0.95 - TITLE_LEAST) / (1 + (titleWords.length - 1) / 4);
  const impacts = new Map<string, number>();
  for (const [word, strength] of body) impacts.set(word, (BODY_MOST * strength) / (strength + HALF_STRENGTH));
  for (const word of titleWords) {
    const inBody = body.get(word) ?? 0;
    impacts.set(word, titleShare + (BESIDE_TITLE * inBody) / (inBody + HALF_STRENGTH));
  }
  for (const [word, share] of impacts) impacts.set(word, Math.max(1, Math.round(share * GREATEST_IMPACT)));
  return impacts;
}

function addWords(strengths: Map<string, number>, text: string, weight: number): void {
  if (text === '') return;
  const words = wordsOf(text);
  const each = weight / (1 + words.length / HALF_LENGTH);
  for (const word of words) strengths.set(word, (strengths.get(word) ?? 0) + each);
}
