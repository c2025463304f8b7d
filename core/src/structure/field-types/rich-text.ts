import sanitizeHtml from 'sanitize-html';
import { escapeHtml, issue, normaliseText, ok, refuse } from '../../values/index.js';
import type { Result } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText } from './field-type.js';

export const LONGEST_RICH_TEXT = 200_000;

/** What may stand in a rich text; everything else is taken out, scripts and styles with what is in them. */
const ALLOWED: sanitizeHtml.IOptions = {
  allowedTags: [
    'p',
    'br',
    'h2',
    'h3',
    'h4',
    'strong',
    'em',
    'u',
    's',
    'code',
    'ul',
    'ol',
    'li',
    'blockquote',
    'hr',
    'a',
  ],
  allowedAttributes: { a: ['href', 'rel'] },
  allowedSchemes: ['http', 'https', 'mailto', 'tel'],
  allowProtocolRelative: false,
  disallowedTagsMode: 'discard',
  transformTags: {
    b: 'strong',
    i: 'em',
    h1: 'h2',
    h5: 'h4',
    h6: 'h4',
    div: 'p',
    a: (tagName, attribs) => ({
      tagName,
      attribs: { ...(attribs['href'] && { href: attribs['href'] }), rel: 'nofollow ugc noopener' },
    }),
  },
};

const HAS_TAG = /<\/?[a-z][^<>]*>/i;

/** HTML with nothing in it that could do something; '' when no text is left. Cleaning it again changes nothing. */
export function cleanHtml(html: string): string {
  const cleaned = sanitizeHtml(normaliseText(html), ALLOWED).trim();
  if (plainOfHtml(cleaned) === '') return '';
  return HAS_TAG.test(cleaned) ? cleaned : `<p>${cleaned}</p>`;
}

/** A plain text as HTML: empty lines part paragraphs. */
export function htmlOfPlain(text: string): string {
  return escapeHtml(normaliseText(text))
    .split(/\n{2,}/)
    .map((paragraph) => `<p>${paragraph.trim().replace(/\n/g, '<br />')}</p>`)
    .join('');
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', '#39': "'", nbsp: ' ' };

/** What a reader reads of clean HTML, blocks on lines of their own. */
export function plainOfHtml(html: string): string {
  return html
    .replace(/<(?:br|hr)\s*\/?>|<\/(?:p|h\d|li|blockquote)>/g, '\n')
    .replace(/<[^<>]*>/g, '')
    .replace(/&(amp|lt|gt|quot|#39|nbsp);/g, (_, name: string) => ENTITIES[name] ?? '')
    .replace(/\n{2,}/g, '\n')
    .trim();
}

/**
 * Reads rich text from HTML, or from plain text when there is no tag in it. Refused by `value.too-long`,
 * `value.too-short` and `value.type`.
 */
export function readRichText(input: unknown, field: Pick<Field, 'key' | 'label' | 'settings'>): Result<string | null> {
  const params = { label: field.label };
  const where = { field: field.key };
  if (isEmptyInput(input)) return ok(null);
  if (typeof input !== 'string') return refuse(issue('value.type', { ...params, wanted: 'a text' }, where));
  if (input.length > LONGEST_RICH_TEXT) {
    return refuse(issue('value.too-long', { ...params, found: input.length, greatest: LONGEST_RICH_TEXT }, where));
  }
  const html = cleanHtml(HAS_TAG.test(input) ? input : htmlOfPlain(input));
  if (html === '') return ok(null);
  const found = plainOfHtml(html).length;
  const { longest, shortest = 0 } = field.settings;
  if (longest !== undefined && found > longest) {
    return refuse(issue('value.too-long', { ...params, found, greatest: longest }, where));
  }
  return found < shortest ? refuse(issue('value.too-short', { ...params, found, least: shortest }, where)) : ok(html);
}

export const richTextType: FieldType<string> = {
  label: 'rich text',
  icon: 'format_paragraph',
  control: 'rich-text',
  settings: ['shortest', 'longest'],
  short: false,
  read: readRichText,
  holds: isText,
  toText: (value) => value,
  format: (value) => plainOfHtml(value),
  column: null,
  facets: [],
  words: (value) => plainOfHtml(value),
};
