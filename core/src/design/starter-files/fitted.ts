import type { Kind } from '../../structure/index.js';
import { fieldAt, hasPart } from '../../structure/index.js';
import type { CardDesign } from '../cards/card.js';
import { zonesOf } from '../cards/card.js';
import { checkPage, pieceSceneOf } from '../pages/check-page.js';
import type { PageCheckScene } from '../pages/check-page.js';
import type { PageDesign, Piece } from '../pages/page-design.js';
import { withPieces } from '../pages/page-design.js';
import { pieceTypeOf } from '../pieces/registry.js';
import type { DesignScene } from '../slots/check-slot.js';
import { slotFaults, valueFaults } from '../slots/check-slot.js';
import type { Slot } from '../slots/slot.js';
import type { TextWithValues } from '../slots/text-with-values.js';
import { isValue } from '../slots/text-with-values.js';

/** A card without what a kind has nothing for: slots with something wrong, and a picture that isn't there. */
export function fittedCard(card: CardDesign, kind: Kind, scene: DesignScene): CardDesign {
  const fits = (slot: Slot): boolean => slotFaults(slot, kind, scene).length === 0;
  const type = fieldAt(kind, card.picture.field)?.type;
  const hasPicture = type === 'picture' || type === 'pictures';
  const lead = hasPart(kind, 'picture')
    ? { ...card.picture, field: '@picture' }
    : { ...card.picture, stands: 'none' as const };
  return {
    ...card,
    picture: hasPicture ? card.picture : lead,
    zones: zonesOf((zone) => card.zones[zone].filter(fits)),
  };
}

/** A page without what there is nothing for: slots, pieces and conditions with something wrong, and strips that end up empty. */
export function fittedPage(page: PageDesign, scene: PageCheckScene): PageDesign {
  const plain = withPieces(page, (piece) => withFittingSlots(piece, page, scene));
  const { kind } = pieceSceneOf(page, scene);
  const text = (given: TextWithValues): TextWithValues =>
    given.filter((part) => !isValue(part) || (kind !== null && valueFaults(part, kind, scene).length === 0));
  const shown = { ...plain, title: text(page.title), description: text(page.description), when: null, selection: 0 };
  return withoutFaults(shown, scene);
}

function withFittingSlots(piece: Piece, page: PageDesign, scene: PageCheckScene): Piece {
  const type = pieceTypeOf(piece.type);
  const inside = pieceSceneOf(page, scene);
  const fitting = (slots: readonly Slot[], kind: Kind): Slot[] =>
    slots.filter((slot) => slotFaults(slot, kind, scene).length === 0);
  const { settings } = piece;
  const own = type.slots?.(settings);
  const after = own && type.withSlots && inside.kind ? type.withSlots(settings, fitting(own, inside.kind)) : settings;
  const listed = type.listed?.kind(after, inside.listKind ?? inside.kind, scene.kindById);
  return {
    ...piece,
    settings: listed ? type.listed!.with(after, fitting(type.listed!.slots(after), listed)) : after,
  } as Piece;
}

const PIECE = /^strips\.(\d+)\.columns\.(\d+)\.pieces\.(\d+)(\.(?:showWhen|categories|chosen))?/;
const STRIP = /^strips\.(\d+)\.(showWhen|categories|chosen)/;
const SHOWN_ALWAYS = { showWhen: null, categories: [], chosen: [] };

/** What is wrong is told with its place; a condition goes before the part whose it is. */
function withoutFaults(page: PageDesign, scene: PageCheckScene): PageDesign {
  const places = checkPage(page, scene).map(({ field = '' }) => field);
  const conditions = new Set(places.flatMap((place) => conditionOf(place) ?? []));
  const pieces = new Set(places.flatMap((place) => pieceOf(place) ?? []));
  const strips = page.strips.map((strip, at) => ({
    ...strip,
    ...(conditions.has(`${at + 1}`) && SHOWN_ALWAYS),
    columns: strip.columns.map((column, column_at) => ({
      ...column,
      pieces: column.pieces.flatMap((piece, piece_at): Piece[] => {
        const place = `${at + 1} ${column_at + 1} ${piece_at + 1}`;
        if (pieces.has(place)) return [];
        return [conditions.has(place) ? { ...piece, ...SHOWN_ALWAYS } : piece];
      }),
    })),
  }));
  return { ...page, strips: strips.filter(({ columns }) => columns.some((column) => column.pieces.length > 0)) };
}

function conditionOf(place: string): string | undefined {
  const [, strip, column, piece, condition] = PIECE.exec(place) ?? [];
  if (condition !== undefined) return `${strip} ${column} ${piece}`;
  return piece === undefined ? STRIP.exec(place)?.[1] : undefined;
}

function pieceOf(place: string): string | undefined {
  const [, strip, column, piece, condition] = PIECE.exec(place) ?? [];
  return piece !== undefined && condition === undefined ? `${strip} ${column} ${piece}` : undefined;
}
