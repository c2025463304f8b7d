import { withoutUndefined } from '../../structure/index.js';
import type { Slot, SlotSketch } from '../slots/slot.js';
import { makeSlot } from '../slots/slot.js';

/** Where the picture of a card stands; behind, its words stand on it. */
export const PICTURE_STANDS = ['above', 'start', 'end', 'behind', 'none'] as const;
export type PictureStands = (typeof PICTURE_STANDS)[number];

/** Width to height; "own" leaves every picture as it is. */
export const PICTURE_RATIOS = ['3:2', '4:3', '1:1', '4:5', '2:3', '16:9', 'own'] as const;
export type PictureRatio = (typeof PICTURE_RATIOS)[number];

export const RATIO_WORDS: Readonly<Record<PictureRatio, string>> = {
  ...{ '3:2': '3 : 2', '4:3': '4 : 3', '1:1': 'square', '4:5': '4 : 5, upright', '2:3': '2 : 3, upright' },
  ...{ '16:9': '16 : 9, wide', own: 'its own' },
};

/** Whether a picture is cut around its focus point to fill its place, or shown whole in it. */
export const PICTURE_FITS = ['cut', 'whole'] as const;
export type PictureFit = (typeof PICTURE_FITS)[number];

export const FIT_WORDS: Readonly<Record<PictureFit, string>> = {
  ...{ cut: 'cut around its focus point', whole: 'shown whole' },
};

export const SURFACES = ['plain', 'line', 'raised', 'tinted'] as const;
export type Surface = (typeof SURFACES)[number];

/** What of a card leads to its listing: all of it, or its title and buttons. */
export const CARD_LEADS = ['whole', 'title'] as const;
export type CardLead = (typeof CARD_LEADS)[number];

/** The places for slots on a card: the corners of its picture, then from top to bottom. */
export const CARD_ZONES = ['topStart', 'topEnd', 'bottomStart', 'bottomEnd', 'heading', 'body', 'foot'] as const;
export type CardZone = (typeof CARD_ZONES)[number];
export const CORNER_ZONES = ['topStart', 'topEnd', 'bottomStart', 'bottomEnd'] as const satisfies readonly CardZone[];

/** As many columns as fit, or so many. */
export const BODY_COLUMNS = [0, 1, 2, 3] as const;
export type BodyColumns = (typeof BODY_COLUMNS)[number];

export interface CardPicture {
  readonly stands: PictureStands;
  /** Key of the field that it is taken from, the first one of several; "@picture" is the lead picture. */
  readonly field: string;
  readonly ratio: PictureRatio;
  readonly fit: PictureFit;
}

/** How the listings of a kind look in a list. */
export interface CardDesign {
  readonly name: string;
  /** A line that says what it is for. */
  readonly purpose: string;
  readonly picture: CardPicture;
  readonly surface: Surface;
  readonly leads: CardLead;
  /** Whether visitors can put its listing on their shortlist. */
  readonly canBeKept: boolean;
  readonly columns: BodyColumns;
  readonly zones: Readonly<Record<CardZone, readonly Slot[]>>;
}

export const LONGEST_DESIGN_NAME = 80;
export const MOST_CARD_SLOTS = 40;

/** What has to be said of a card; the rest has defaults. */
export interface CardSketch extends Partial<Omit<CardDesign, 'picture' | 'zones' | 'name'>> {
  readonly name: string;
  readonly picture?: Partial<CardPicture>;
  readonly zones?: Partial<Record<CardZone, readonly SlotSketch[]>>;
}

/** A card with every property at its plain default but those given; always in the same order of properties. */
export function makeCard(given: CardSketch): CardDesign {
  return {
    name: given.name,
    purpose: given.purpose ?? '',
    picture: {
      ...{ stands: 'above', field: '@picture', ratio: '3:2', fit: 'cut' },
      ...withoutUndefined(given.picture ?? {}),
    },
    surface: given.surface ?? 'line',
    leads: given.leads ?? 'whole',
    canBeKept: given.canBeKept ?? false,
    columns: given.columns ?? 0,
    zones: zonesOf((zone) => (given.zones?.[zone] ?? []).map(makeSlot)),
  };
}

/** Something for each place on a card. */
export function zonesOf<Thing>(make: (zone: CardZone) => Thing): Record<CardZone, Thing> {
  return Object.fromEntries(CARD_ZONES.map((zone) => [zone, make(zone)])) as Record<CardZone, Thing>;
}

/** All slots of a card, in the order in which they stand. */
export function slotsOfCard({ zones }: Pick<CardDesign, 'zones'>): Slot[] {
  return CARD_ZONES.flatMap((zone) => zones[zone]);
}
