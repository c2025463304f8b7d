import type { Cast, Field, Kind } from '../../structure/index.js';
import { hasPart, hasSubfields } from '../../structure/index.js';
import type { PageSketch, PieceSketch } from '../pages/page-design.js';
import type { Slot } from '../slots/slot.js';
import { slotOfField } from '../slots/slot.js';
import { makeText } from '../slots/text-with-values.js';

type Pieces = readonly PieceSketch[];
type StripSketch = PageSketch['strips'][number];

/** Types whose values need the width of a page. */
const LONG: readonly Field['type'][] = ['long-text', 'rich-text'];
const PICTURES: readonly Field['type'][] = ['picture', 'pictures'];
const OWN_PIECE: readonly Field['type'][] = [...LONG, ...PICTURES, 'rows', 'group', 'link'];
const MOST_LINKED = 8;
const MOST_ALIKE = 4;
/** In which fields listings can be alike. */
const COMPARABLE: readonly Field['type'][] = ['categories', 'one-choice', 'several-choices', 'link'];
/** The width of a column beside, in rem. */
export const SIDE = 22;

/** The way back, that it is featured, the title and a summary. */
export function headPieces(kind: Kind): Pieces {
  return [
    { type: 'breadcrumb' },
    { type: 'text', settings: { slots: [slotOfField('@featured', { label: '', isBold: true, tone: 'warm' })] } },
    { type: 'heading', settings: { text: makeText([{ field: '@title' }]), level: 1 } },
    ...(hasPart(kind, 'summary')
      ? [
          {
            type: 'text' as const,
            settings: { slots: [slotOfField('@summary', { label: '', icon: '', size: 'large' })] },
          },
        ]
      : []),
  ];
}

export function headStrip(kind: Kind): StripSketch {
  return { name: 'Title', space: 'small', columns: [{ pieces: headPieces(kind) }] };
}

/** All pictures of a listing: one as such, several as a gallery. */
export function picturePieces(kind: Kind): Pieces {
  const own = kind.fields.filter(({ type }) => PICTURES.includes(type)).map(({ key }) => key);
  const fields = [...(hasPart(kind, 'picture') ? ['@picture'] : []), ...own];
  if (fields.length === 0) return [];
  const [only] = fields;
  const isOne =
    fields.length === 1 &&
    (only === '@picture' || kind.fields.some(({ key, type }) => key === only && type === 'picture'));
  return isOne
    ? [{ type: 'picture', settings: { field: only!, ratio: '3:2' } }]
    : [{ type: 'gallery', settings: { fields } }];
}

/** The values that stand beside others, but those that stand elsewhere already. */
export function factSlots(kind: Kind, elsewhere: Cast = {}): Slot[] {
  const taken = Object.values(elsewhere);
  const fields = kind.fields.filter(({ type, key }) => !OWN_PIECE.includes(type) && !taken.includes(key));
  const place = hasPart(kind, 'place') ? [slotOfField('@place', { form: 'own' })] : [];
  return [...fields.map(({ key }) => slotOfField(key, { form: 'own' })), ...place];
}

export function factPieces(kind: Kind, elsewhere?: Cast, layout: 'table' | 'tiles' | 'list' = 'table'): Pieces {
  const slots = factSlots(kind, elsewhere);
  return slots.length > 0 ? [{ type: 'values', settings: { slots, layout } }] : [];
}

/** The body and every long text, each under its label. */
export function textPieces(kind: Kind): Pieces {
  const own = kind.fields
    .filter(({ type }) => LONG.includes(type))
    .flatMap(({ key, label }): PieceSketch[] => [
      { type: 'heading', settings: { text: makeText([label]) }, showWhen: filled(key) },
      { type: 'rich-text', settings: { field: key } },
    ]);
  return [...(hasPart(kind, 'body') ? [{ type: 'rich-text' as const, settings: { field: '@body' } }] : []), ...own];
}

/** Rows and groups as specifications, each under its label. */
export function specificationPieces(kind: Kind): Pieces {
  return kind.fields.filter(hasSubfields).flatMap(({ key, label }): PieceSketch[] => [
    { type: 'heading', settings: { text: makeText([label]) }, showWhen: filled(key) },
    { type: 'specification', settings: { field: key } },
  ]);
}

/** What a listing is linked with, a strip a link. */
export function linkedStrips(kind: Kind, elsewhere: Cast = {}): StripSketch[] {
  const taken = Object.values(elsewhere);
  return kind.fields
    .filter(({ type, key }) => type === 'link' && !taken.includes(key))
    .map(({ key, label }) => ({
      name: label,
      columns: [
        {
          pieces: [
            {
              type: 'list',
              settings: { from: 'linked', fields: [key], most: MOST_LINKED, heading: makeText([label]) },
            },
          ],
        },
      ],
    }));
}

/** Listings that share values with this one; none for a kind without values to share. */
export function alikeStrips(kind: Kind): StripSketch[] {
  const fields = kind.fields
    .filter(({ type }) => COMPARABLE.includes(type))
    .map(({ key }) => key)
    .slice(0, 5);
  if (fields.length === 0) return [];
  const settings = { from: 'related', fields, most: MOST_ALIKE, heading: makeText([kind.many]) } as const;
  return [{ name: 'More like it', tone: 'tinted', columns: [{ pieces: [{ type: 'list', settings }] }] }];
}

/** Buttons that lead where fields of addresses say. */
export function buttonPieces(kind: Kind, types: readonly Field['type'][] = ['web-address', 'phone', 'email']): Pieces {
  const fields = kind.fields.filter(({ type }) => types.includes(type));
  const buttons = fields.slice(0, 3).map(({ key, label }) => ({ words: label, address: '', field: key }));
  return buttons.length > 0 ? [{ type: 'buttons', settings: { buttons } }] : [];
}

/** One value in large, as a price is said. */
export function largePieces(cast: Cast, role: string): Pieces {
  const field = cast[role];
  if (field === undefined) return [];
  return [
    { type: 'text', settings: { slots: [slotOfField(field, { label: '', icon: '', size: 'largest', isBold: true })] } },
  ];
}

export function sharePieces(): Pieces {
  return [{ type: 'share' }];
}

function filled(field: string): {
  readonly join: 'all';
  readonly of: readonly [{ readonly field: string; readonly op: 'is-not-empty' }];
} {
  return { join: 'all', of: [{ field, op: 'is-not-empty' }] };
}
