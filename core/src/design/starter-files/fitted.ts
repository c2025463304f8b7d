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
  const inside = pieceSceneOf(page, scene);
  const { kind } = inside;
  const plain = withPieces(page, (piece) => withFittingSlots(piece, inside));
  const text = (given: TextWithValues): TextWithValues =>
    given.filter((part) => !isValue(part) || (kind !== null && valueFaults(part, kind, scene).length === 0));
  const shown = { ...plain, title: text(page.title), description: text(page.description), when: null, selection: 0 };
  return withoutFaults(shown, scene);
}

function withFittingSlots(piece: Piece, scene: ReturnType<typeof pieceSceneOf>): Piece {
  const type = pieceTypeOf(piece.type);
  const fitting = (slots: readonly Slot[], kind: Kind): Slot[] =>
    slots.filter((slot) => slotFaults(slot, kind, scene).length === 0);
  const { settings } = piece;
  const own = type.slots?.(settings);
  const after = own && type.withSlots && scene.kind ? type.withSlots(settings, fitting(own, scene.kind)) : settings;
  const listed = type.listed?.kind(after, scene.listKind ?? scene.kind, scene.kindById);
  return {
    ...piece,
    settings: listed ? type.listed!.with(after, fitting(type.listed!.slots(after), listed)) : after,
  } as Piece;
}

/** Of a strip or a piece: its place, and whether what is wrong is when it is shown. */
const PLACE = /^strips\.(\d+)(?:\.columns\.(\d+)\.pieces\.(\d+))?(\.(?:showWhen|categories|chosen))?/;
const SHOWN_ALWAYS = { showWhen: null, categories: [], chosen: [] };

/** What is wrong is told with its place; a condition goes before the part whose it is. */
function withoutFaults(page: PageDesign, scene: PageCheckScene): PageDesign {
  const wrong = checkPage(page, scene).flatMap(({ field = '' }) => {
    const [whole, strip, column, piece, condition] = PLACE.exec(field) ?? [];
    if (whole === undefined) return [];
    return [
      { place: piece === undefined ? strip : `${strip} ${column} ${piece}`, isCondition: condition !== undefined },
    ];
  });
  const placesOf = (isCondition: boolean): Set<string | undefined> =>
    new Set(wrong.filter((one) => one.isCondition === isCondition).map(({ place }) => place));
  const [conditions, pieces] = [placesOf(true), placesOf(false)];
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
