import { meets } from '../catalog/index.js';
import type { KindDefinition } from '../structure/index.js';
import { wordsOf } from '../values/index.js';
import type { Stretch } from './cards/card-model.js';

const WORD = /[\p{L}\p{N}\p{M}]+/gu;

/** The stretches of a text that meet a word of a search, by the rules by which the search finds. */
export function metStretches(text: string, search: string, { synonyms }: Pick<KindDefinition, 'synonyms'>): Stretch[] {
  const wanted = wordsOf(search);
  const last = wanted.at(-1);
  const alike = synonyms
    .map((group) => group.map((phrase) => wordsOf(phrase)))
    .filter((group) => group.some((phrase) => phrase.length > 0 && phrase.every((word) => wanted.includes(word))))
    .flat(2);
  const stretches: Stretch[] = [];
  for (const { 0: word, index } of text.matchAll(WORD)) {
    const parts = wordsOf(word);
    const isMet = parts.some(
      (part) => wanted.some((one) => meets(one, part, one === last) > 0) || alike.includes(part),
    );
    if (isMet) stretches.push([index, index + word.length]);
  }
  return stretches;
}
