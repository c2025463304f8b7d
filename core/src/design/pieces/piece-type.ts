import type { Kind, KindById } from '../../structure/index.js';
import type { PagePurpose } from '../pages/page-purpose.js';
import type { DesignScene } from '../slots/check-slot.js';
import type { Slot } from '../slots/slot.js';
import type { UsedField } from '../slots/slot-fields.js';
import type { Controls } from '../settings/control.js';
import type { SettingForm, SettingsOf } from '../settings/setting.js';

/** What checking a piece depends on; the kind is that of the page's listing, null for a page without one. */
export interface PieceScene extends DesignScene {
  readonly kind: Kind | null;
  /** Whether there is a selection with a number. */
  readonly isSelection: (id: number) => boolean;
  /** A part of pages, by its number. */
  readonly partOf: (id: number) => PartOfPages | undefined;
  /** A form of visitors, by its number. */
  readonly formOf: (id: number) => { readonly kindId: number | null } | undefined;
  /** The kind whose list the page is about; null for a page of no list, or of one of several kinds. */
  readonly listKind: Kind | null;
  /** What the page is for. */
  readonly serves: PagePurpose;
  /** Names of the lists on the page that visitors can steer. */
  readonly areas: readonly string[];
}

/** What the settings of a piece can be chosen from, on the page on which it stands. */
export interface PieceChoices extends PieceScene {
  readonly kinds: readonly Kind[];
  readonly selections: readonly { readonly id: number; readonly name: string }[];
  readonly parts: readonly (PartOfPages & { readonly id: number })[];
  readonly forms: readonly { readonly id: number; readonly name: string }[];
  /** The facets of a list of the page that visitors can steer. */
  facetsOf(area: string): readonly { readonly key: string; readonly label: string }[];
}

/** The settings with which a new piece begins, or what the page or the site lacks for it. */
export type PieceBeginning<Settings> = { readonly settings: Partial<Settings> } | { readonly lacks: string };

/** A part of pages as far as checking asks about it: the kind whose listings it shows something of, null for none. */
export interface PartOfPages {
  readonly kindId: number | null;
  readonly name: string;
}

/** Numbers of records in the settings of a piece, to be turned into others when a design goes to another site. */
export interface PieceNumbers {
  readonly kind: (id: number) => number;
  readonly selection: (id: number) => number;
  readonly part: (id: number) => number;
  readonly form: (id: number) => number;
}

/** Slots that show the listings that a piece lists. */
export interface ListedSlots<Settings> {
  /** The kind of those listings; undefined where they can be of several. `ofPage` is the kind of the page. */
  kind(settings: Settings, ofPage: Kind | null, kindById: KindById): Kind | undefined;
  slots(settings: Settings): readonly Slot[];
  /** The settings with other slots in the place of those, in the same order. */
  with(settings: Settings, slots: readonly Slot[]): Settings;
}

/**
 * All that Plindo knows of one sort of piece before it is shown: its settings, what can be wrong with them, and what they
 * use. A new one is one new file with such an object, named in the registry; `core/page/pieces` makes its model and
 * `listing-view/pieces` shows it.
 */
export interface PieceType<Form extends SettingForm = SettingForm> {
  /** How people call it. */
  readonly label: string;
  readonly icon: string;
  /** A line that says what it is for. */
  readonly purpose: string;
  readonly form: Form;
  readonly controls: Controls<SettingsOf<NoInfer<Form>>, PieceChoices>;
  /** With what a new one begins, so that it shows something at once; with its defaults where it is left out. */
  begin?(scene: PieceChoices): PieceBeginning<SettingsOf<NoInfer<Form>>>;
  /** The settings after one of them was changed by hand, with what hangs on it put right. */
  settle?(settings: SettingsOf<Form>, scene: PieceChoices): SettingsOf<Form>;
  /** Everything that is wrong with its settings, as sentences that begin with a small letter. */
  faults?(settings: SettingsOf<Form>, scene: PieceScene): string[];
  /** The slots among its settings: they are checked, followed and read like any others. */
  slots?(settings: SettingsOf<Form>): readonly Slot[];
  /** The settings with other slots in the place of those, in the same order. */
  withSlots?(settings: SettingsOf<Form>, slots: readonly Slot[]): SettingsOf<Form>;
  /** The slots among its settings that show the listings that it lists, which may be of another kind than the page's. */
  readonly listed?: ListedSlots<SettingsOf<Form>>;
  /** The fields that it uses beside those of its slots. */
  fields?(settings: SettingsOf<Form>, kind: Kind | null, kindById: KindById): UsedField[];
  /** The settings after a field of the page's kind has got another key. */
  withKeyRenamed?(settings: SettingsOf<Form>, from: string, to: string): SettingsOf<Form>;
  withNumbers?(settings: SettingsOf<Form>, numbers: PieceNumbers): SettingsOf<Form>;
}

/** For inference: a piece type with the form that it has. */
export function pieceType<Form extends SettingForm>(type: PieceType<Form>): PieceType<Form> {
  return type;
}

/** What a page lacks for pieces that show something of a listing. */
export const NEEDS_LISTING = 'a page of listings';

/** What is wrong with a piece that needs a listing on a page that has none. */
export function withoutListing({ kind }: PieceScene): string[] {
  return kind ? [] : ['it shows something of a listing, and this page has none.'];
}
