import type { CardDesign } from './cards/card.js';
import { CARD_ZONES, slotsOfCard } from './cards/card.js';
import type { Design } from './design.js';
import type { PageDesign, Piece } from './pages/page-design.js';
import { pieceName, stripName } from './pages/page-steps.js';
import type { Slot } from './slots/slot.js';
import { isValue } from './slots/text-with-values.js';

/** How two designs differ, as sentences; of a new design one sentence, that it is new. */
export function designDifferences(before: Design | null, after: Design): string[] {
  if (!before) return ['It is new.'];
  if (before.type === 'page' && after.type === 'page') return ofPages(before.definition, after.definition);
  if (before.type === 'card' && after.type === 'card') return ofCards(before.definition, after.definition);
  return ofProperties(before.definition, after.definition);
}

const PROPERTY_WORDS: Readonly<Record<string, string>> = {
  ...{ hasOwnMenu: 'whether the menu is its own', searchIn: 'what is searched from the header', css: 'its own CSS' },
  ...{ hasShortlist: 'the way to the shortlist', line: 'the last line', columns: 'the columns', said: 'the sentences' },
  ...{ canBeKept: 'whether it can be kept', leads: 'what leads to the listing', when: 'for which listings it is' },
  ...{ inMenu: 'whether it stands in the menu', categories: 'for which categories it is' },
};

function ofProperties(before: object, after: object, besides: readonly string[] = []): string[] {
  const values = new Map<string, unknown>(Object.entries(before));
  const changed = Object.entries(after).filter(
    ([key, value]) => !besides.includes(key) && !isSame(values.get(key), value),
  );
  return changed.map(([key]) => `Changed: ${PROPERTY_WORDS[key] ?? key}.`);
}

function ofCards(before: CardDesign, after: CardDesign): string[] {
  const zoneOf = (card: CardDesign, key: string): string =>
    CARD_ZONES.find((zone) => card.zones[zone].some((slot) => slot.key === key)) ?? '';
  const slots = differencesOf(slotsOfCard(before), slotsOfCard(after), {
    nameOf: ({ text }) => `“${wordsOf(text)}”`,
    placeOf: (slot, card) => zoneOf(card === 'before' ? before : after, slot.key),
    contentOf: (slot) => slot,
  });
  return [...ofProperties(before, after, ['zones']), ...slots];
}

interface PlacedPiece {
  readonly key: string;
  readonly part: Piece;
  readonly place: string;
}

function ofPages(before: PageDesign, after: PageDesign): string[] {
  const strips = differencesOf(before.strips, after.strips, {
    nameOf: (strip, page) => `the strip “${stripName(strip, page.indexOf(strip) + 1)}”`,
    placeOf: (strip, page) => String((page === 'before' ? before : after).strips.indexOf(strip)),
    contentOf: ({ columns, ...strip }) => [strip, columns.map(({ pieces: _, ...column }) => column)],
  });
  const pieces = differencesOf(placedPieces(before), placedPieces(after), {
    nameOf: ({ part }) => `“${pieceName(part)}”`,
    placeOf: ({ place }) => place,
    contentOf: ({ part }) => part,
  });
  return [...ofProperties(before, after, ['strips']), ...strips, ...pieces];
}

/** What a slot shows, as far as words say it. */
function wordsOf(text: Slot['text']): string {
  return text.map((part) => (isValue(part) ? part.field.replace('@', '') : part.words)).join('');
}

function placedPieces({ strips }: PageDesign): PlacedPiece[] {
  return strips.flatMap((strip) =>
    strip.columns.flatMap((column) =>
      column.pieces.map((part, at) => ({ part, key: part.key, place: `${column.key} ${at}` })),
    ),
  );
}

/** What the parts of a design are called in these sentences. */
interface Telling<Part> {
  nameOf(part: Part, all: readonly Part[]): string;
  placeOf(part: Part, of: 'before' | 'after'): string;
  contentOf(part: Part): unknown;
}

/** Which parts were added, removed, changed or moved. Parts are matched by their keys. */
function differencesOf<Part extends { readonly key: string }>(
  before: readonly Part[],
  after: readonly Part[],
  { nameOf, placeOf, contentOf }: Telling<Part>,
): string[] {
  const was = new Map(before.map((part) => [part.key, part]));
  const is = new Set(after.map(({ key }) => key));
  const gone = before.filter(({ key }) => !is.has(key)).map((part) => `Gone: ${nameOf(part, before)}.`);
  const others = after.flatMap((part): string[] => {
    const former = was.get(part.key);
    if (!former) return [`New: ${nameOf(part, after)}.`];
    if (!isSame(contentOf(former), contentOf(part))) return [`Changed: ${nameOf(part, after)}.`];
    // A part that stands lower only because another was added above it has not been moved.
    const isMoved =
      gone.length === 0 && after.length === before.length && placeOf(former, 'before') !== placeOf(part, 'after');
    return isMoved ? [`Moved: ${nameOf(part, after)}.`] : [];
  });
  return [...gone, ...others];
}

/** Whether two values say the same, in whichever order their properties were written. */
function isSame(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false;
  if (Array.isArray(one) !== Array.isArray(other)) return false;
  const [own, others] = [new Map(Object.entries(one)), new Map(Object.entries(other))];
  return [...new Set([...own.keys(), ...others.keys()])].every((key) => isSame(own.get(key), others.get(key)));
}
