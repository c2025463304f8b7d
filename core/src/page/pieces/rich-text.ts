import { makeValueInText } from '../../design/index.js';
import { cleanHtml, htmlOfPlain } from '../../structure/index.js';
import { reachedValues } from '../cards/reached-values.js';
import type { PieceMaker } from './piece-maker.js';

export const richText: PieceMaker<'rich-text'> = {
  make({ html, field }, { shown }) {
    if (field === '') return html === '' ? null : { type: 'rich-text', html: cleanHtml(html) };
    const [found] = shown ? reachedValues(makeValueInText({ field }), shown) : [];
    if (!found) return null;
    // What was entered is clean already; a long text has paragraphs, not tags.
    const isRich = found.field.type === 'rich-text';
    return { type: 'rich-text', html: isRich ? String(found.value) : htmlOfPlain(String(found.value)) };
  },
};
