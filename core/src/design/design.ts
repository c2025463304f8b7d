import type { ConditionGroup, KeyChange, Kind, KindById } from '../structure/index.js';
import { fieldByKey, fieldsOfCondition } from '../structure/index.js';
import type { OwnWords } from '../values/index.js';
import { languageOf } from '../values/index.js';
import type { CardDesign } from './cards/card.js';
import { slotsOfCard, zonesOf } from './cards/card.js';
import { firstCard } from './cards/first-card.js';
import { askedField } from './forms/askable.js';
import type { FormDesign } from './forms/form-design.js';
import { questionsOf, withQuestions } from './forms/form-design.js';
import type { FrameDesign } from './frames/frame-design.js';
import type { LookDesign } from './looks/look.js';
import { withParts } from './pages/embedded-parts.js';
import type { PageDesign, Piece } from './pages/page-design.js';
import type { PagePurpose } from './pages/page-purpose.js';
import { piecesOfPage, slotsOfPage, withPieces } from './pages/page-design.js';
import { pieceTypeOf } from './pieces/registry.js';
import type { RedirectsDesign } from './redirects/redirects-design.js';
import type { Slot } from './slots/slot.js';
import { makeSlot } from './slots/slot.js';
import type { UsedField } from './slots/slot-fields.js';
import { fieldsOfSlots, slotWithKeyRenamed, withGroupRenamed } from './slots/slot-fields.js';
import { isValue } from './slots/text-with-values.js';
import type { WordsDesign } from './words/words-design.js';

export const DESIGN_TYPES = ['card', 'page', 'look', 'words', 'frame', 'redirects', 'form'] as const;
export type DesignType = (typeof DESIGN_TYPES)[number];

interface Kept<Type extends DesignType, Definition> {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
  readonly type: Type;
  /** Number of the kind whose listings it shows; null for what is of the whole site. */
  readonly kindId: number | null;
  /** Lower first; the first card of a kind is its main one, the first look that of the site. */
  readonly position: number;
  readonly definition: Definition;
  /** Left out for what visitors see. */
  readonly draft?: Draft;
}

/** What is known of a design that visitors do not see yet. */
export interface Draft {
  /** Number of the design in whose place it comes; null for a new one. */
  readonly of: number | null;
  /** The version of that design on which it was made; 0 for a new one. */
  readonly basedOn: number;
  /** ISO 8601 moment at which it is published by itself; null for none. */
  readonly publishAt: string | null;
  /** Why it was not published when its moment came; '' for nothing. */
  readonly fault: string;
}

export type KeptCard = Kept<'card', CardDesign>;
export type KeptPage = Kept<'page', PageDesign>;
export type KeptLook = Kept<'look', LookDesign>;
export type KeptWords = Kept<'words', WordsDesign>;
export type KeptFrame = Kept<'frame', FrameDesign>;
export type KeptRedirects = Kept<'redirects', RedirectsDesign>;
export type KeptForm = Kept<'form', FormDesign>;

/** A design as it is kept. */
export type Design = KeptCard | KeptPage | KeptLook | KeptWords | KeptFrame | KeptRedirects | KeptForm;

/** The cards of a kind in their order; the first is used where no other was chosen. */
export function cardsOfKind(kindId: number, designs: readonly Design[]): KeptCard[] {
  const own = designs.filter((design): design is KeptCard => design.type === 'card' && design.kindId === kindId);
  return own.sort(byPosition);
}

/** The looks in their order; the first is that of the site. */
export function looksOf(designs: readonly Design[]): KeptLook[] {
  return designs.filter((design): design is KeptLook => design.type === 'look').sort(byPosition);
}

/** Header and footer of the site: the first ones; undefined where they are as they come. */
export function frameOf(designs: readonly Design[]): KeptFrame | undefined {
  return designs.filter((design): design is KeptFrame => design.type === 'frame').sort(byPosition)[0];
}

/** Where addresses of an older site lead: the first ones; undefined where there are none. */
export function redirectsOf(designs: readonly Design[]): KeptRedirects | undefined {
  return designs.filter((design): design is KeptRedirects => design.type === 'redirects').sort(byPosition)[0];
}

/** The forms with which visitors send in listings, in their order. */
export function formsOf(designs: readonly Design[]): KeptForm[] {
  return designs.filter((design): design is KeptForm => design.type === 'form').sort(byPosition);
}

/** The publisher's own sentences in the language of a locale. */
export function ownWords(locale: string, designs: readonly Design[]): OwnWords {
  return wordsIn(languageOf(locale), designs)?.definition.said ?? {};
}

/** The words that count in a language: the first ones. */
export function wordsIn(language: string, designs: readonly Design[]): KeptWords | undefined {
  const all = designs.filter((design): design is KeptWords => design.type === 'words').sort(byPosition);
  return all.find(({ definition }) => definition.language === language);
}

/** The pages that serve a purpose, in their order, with the parts in their places; of listing pages those of a kind. */
export function pagesFor(serves: PagePurpose, kindId: number | null, designs: readonly Design[]): KeptPage[] {
  const own = designs.filter(isPage).filter((page) => page.definition.serves === serves && page.kindId === kindId);
  return own.sort(byPosition).map((page) => wholePage(page, designs));
}

/** A page with the parts that it embeds in their places. */
export function wholePage(page: KeptPage, designs: readonly Design[]): KeptPage {
  return { ...page, definition: withParts(page.definition, (id) => partAmong(designs, id)?.definition) };
}

/** A part of pages, by its number. */
export function partAmong(designs: readonly Design[], id: number): KeptPage | undefined {
  return designs.filter(isPart).find((design) => design.id === id);
}

/** A page, or a part of pages. */
export function isPage(design: Design): design is KeptPage {
  return design.type === 'page';
}

export function isPart(design: Design): design is KeptPage {
  return isPage(design) && design.definition.serves === 'part';
}

function byPosition(a: Design, b: Design): number {
  return a.position - b.position || a.id - b.id;
}

/** The card that listings of a kind have where no other was chosen: its first, or the one that its fields make. */
export function mainCard(kind: Kind, designs: readonly Design[]): CardDesign {
  return cardsOfKind(kind.id, designs)[0]?.definition ?? firstCard(kind);
}

/** The keys of the kind's own fields that stand on its main card, in their order there. */
export function fieldsOnCard(kind: Kind, designs: readonly Design[]): string[] {
  const values = slotsOfCard(mainCard(kind, designs)).flatMap(({ text }) => text.filter(isValue));
  const own = values.filter(({ through, field }) => through.length === 0 && fieldByKey(kind, field));
  return [...new Set(own.map(({ field }) => field))];
}

/** The fields that a design uses. */
export function fieldsOfDesign({ kindId, ...design }: Design, kindById: KindById): UsedField[] {
  const kind = (kindId !== null && kindById(kindId)) || null;
  const used =
    design.type === 'card'
      ? fieldsOfCard(design.definition, kind, kindById)
      : design.type === 'page'
        ? fieldsOfPage(design.definition, kind, kindById)
        : design.type === 'form'
          ? fieldsOfForm(design.definition, kind)
          : [];
  return [...new Map(used.map((one) => [`${one.kindId} ${one.field}`, one])).values()];
}

function fieldsOfCard(card: CardDesign, kind: Kind | null, kindById: KindById): UsedField[] {
  if (!kind) return [];
  const { picture } = card;
  const ofPicture = picture.stands === 'none' ? [] : [{ kindId: kind.id, field: picture.field }];
  return [...ofPicture, ...fieldsOfSlots(slotsOfCard(card), kind, kindById)];
}

function fieldsOfForm(form: FormDesign, kind: Kind | null): UsedField[] {
  if (!kind) return [];
  const questions = questionsOf(form);
  const filled = questions.map(({ field }) => field).filter((field) => askedField(kind, field));
  const asked = questions.flatMap(({ showWhen }) => (showWhen ? fieldsOfCondition(showWhen) : []));
  return [...filled, ...asked].map((field) => ({ kindId: kind.id, field }));
}

function fieldsOfPage(page: PageDesign, kind: Kind | null, kindById: KindById): UsedField[] {
  const pieces = piecesOfPage(page);
  const ofPieces = pieces.flatMap(({ type, settings }) => {
    const { fields, listed } = pieceTypeOf(type);
    const listedKind = listed?.kind(settings, kind, kindById);
    const ofListed = listedKind ? fieldsOfSlots(listed!.slots(settings), listedKind, kindById) : [];
    return [...(fields?.(settings, kind, kindById) ?? []), ...ofListed];
  });
  if (!kind) return ofPieces;
  const conditions = [
    page.when,
    ...page.strips.map(({ showWhen }) => showWhen),
    ...pieces.map(({ showWhen }) => showWhen),
  ];
  const asked = conditions.flatMap((condition) => (condition ? fieldsOfCondition(condition) : []));
  const slots = slotsOfPage(page);
  return [...ofPieces, ...asked.map((field) => ({ kindId: kind.id, field })), ...fieldsOfSlots(slots, kind, kindById)];
}

/** The design after a field has got another key; the same one where it uses no such field. */
export function designWithKeyRenamed<Of extends Design>(given: Of, change: KeyChange, kindById: KindById): Of {
  const design: Design = given;
  const kind = (design.kindId !== null && kindById(design.kindId)) || null;
  const isUsed = fieldsOfDesign(design, kindById).some(
    ({ kindId, field }) => kindId === change.kindId && field === change.from,
  );
  if (isUsed && design.type === 'form') return { ...given, definition: formRenamed(design.definition, change) };
  if (!isUsed || (design.type !== 'page' && design.type !== 'card')) return given;
  const renamedOf = (slot: Slot, of: Kind | null): Slot => (of ? slotWithKeyRenamed(slot, change, of, kindById) : slot);
  const renamed = (slot: Slot): Slot => renamedOf(slot, kind);
  if (design.type === 'page') {
    const withPieces = piecesRenamed(design.definition, kind, { change, kindById, renamedOf });
    return { ...given, definition: pageRenamed(withPieces, kind, change, renamed) };
  }
  const { zones, picture } = design.definition;
  const isPicture = design.kindId === change.kindId && picture.field === change.from;
  const definition: CardDesign = {
    ...design.definition,
    picture: isPicture ? { ...picture, field: change.to } : picture,
    zones: zonesOf((zone) => zones[zone].map(renamed)),
  };
  return { ...given, definition };
}

function formRenamed(form: FormDesign, { from, to }: KeyChange): FormDesign {
  return withQuestions(form, (question) => ({
    ...question,
    field: question.field === from ? to : question.field,
    showWhen: question.showWhen && withGroupRenamed(question.showWhen, from, to),
  }));
}

interface Renaming {
  readonly change: KeyChange;
  readonly kindById: KindById;
  readonly renamedOf: (slot: Slot, kind: Kind | null) => Slot;
}

/** The page with its pieces as they are after a key was renamed. */
function piecesRenamed(page: PageDesign, kind: Kind | null, { change, kindById, renamedOf }: Renaming): PageDesign {
  return withPieces(page, (piece) => {
    const type = pieceTypeOf(piece.type);
    const isOwn = kind?.id === change.kindId;
    const own = (isOwn && type.withKeyRenamed?.(piece.settings, change.from, change.to)) || piece.settings;
    const slots = type.slots?.(own).map((slot) => renamedOf(slot, kind));
    const settings = slots && type.withSlots ? type.withSlots(own, slots) : own;
    const { listed } = type;
    const listedKind = listed?.kind(settings, kind, kindById);
    if (!listed || !listedKind) return { ...piece, settings } as Piece;
    const columns = listed.slots(settings).map((slot) => renamedOf(slot, listedKind));
    return { ...piece, settings: listed.with(settings, columns) } as Piece;
  });
}

function pageRenamed(
  page: PageDesign,
  kind: Kind | null,
  change: KeyChange,
  renamed: (slot: Slot) => Slot,
): PageDesign {
  const isOwn = kind?.id === change.kindId;
  const text = (of: PageDesign['title']): PageDesign['title'] => renamed(makeSlot({ key: 'text', text: of })).text;
  const condition = (where: ConditionGroup | null): ConditionGroup | null =>
    where && isOwn ? withGroupRenamed(where, change.from, change.to) : where;
  const pieces = withPieces(page, (piece) => ({ ...piece, showWhen: condition(piece.showWhen) }));
  return {
    ...pieces,
    ...{ title: text(page.title), description: text(page.description), when: condition(page.when) },
    strips: pieces.strips.map((strip) => ({ ...strip, showWhen: condition(strip.showWhen) })),
  };
}
