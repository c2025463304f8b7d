import { computed, signal } from '@angular/core';
import type {
  DesignStep,
  PageCheckScene,
  PageColumn,
  PageDesign,
  PageItem,
  PageStarter,
  StarterFile,
  Piece,
  PieceChoices,
  PieceTypeName,
  Strip,
} from '@plindo/core/design';
import {
  addPiece,
  addStrip,
  beginPage,
  changeColumn,
  changePage,
  changePiece,
  changeStrip,
  checkPage,
  copyPiece,
  copyStrip,
  itemOfPage,
  itemsOfPage,
  keyOfItem,
  moveStrip,
  movePiece,
  newPiece,
  pageOfFile,
  pasteStrip,
  pathOfPlace,
  pieceSceneOf,
  placeOfPiece,
  removeItem,
  replacePage,
  setColumns,
  starterFileOf,
} from '@plindo/core/design';
import type { PiecePlace } from '@plindo/core/design';
import type { Cast, Kind } from '@plindo/core/structure';
import { DesignHistory } from '../design/design-history';
import type { Copied } from './copied';

type Choosable = Omit<PieceChoices, keyof PageCheckScene | 'areas' | 'listKind' | 'serves'>;

/** What the work on a page has around it. */
export interface PageSurroundings {
  /** The kind of the page; null for none. */
  readonly kind: Kind | null;
  readonly check: PageCheckScene;
  /** Whether the menu of the site is the publisher's own, in which no page stands by itself. */
  readonly hasOwnMenu: boolean;
  readonly kinds: readonly Kind[];
  readonly selections: PieceChoices['selections'];
  readonly parts: PieceChoices['parts'];
  readonly forms: PieceChoices['forms'];
  facetsOf: (page: PageDesign, area: string) => ReturnType<Choosable['facetsOf']>;
}

/** A page that is being designed: what is chosen of it, and everything that can be done to it. */
export class PageWork {
  readonly history: DesignHistory<PageDesign>;
  readonly page;
  /** Key of the strip, column or piece that is chosen; null for the page as a whole. */
  readonly chosen = signal<string | null>(null);
  readonly item = computed((): PageItem | null => {
    const key = this.chosen();
    return key === null ? null : itemOfPage(this.page(), key);
  });
  readonly piece = computed(() => {
    const item = this.item();
    return item?.of === 'piece' ? item.piece : null;
  });
  readonly issues = computed(() => checkPage(this.page(), this.around.check));
  /** What the settings of its pieces can be chosen from. */
  readonly choices = computed((): PieceChoices => {
    const page = this.page();
    const { check, kinds, selections, parts, forms, facetsOf } = this.around;
    return { ...pieceSceneOf(page, check), kinds, selections, parts, forms, facetsOf: (area) => facetsOf(page, area) };
  });

  constructor(
    readonly around: PageSurroundings,
    begun: PageDesign,
    kept: PageDesign,
  ) {
    this.history = new DesignHistory(begun, kept);
    this.page = this.history.design;
  }

  /** The kind whose values texts and slots of it show; null where the page is of no listing. */
  get listingKind(): Kind | null {
    return this.choices().kind;
  }

  choose(key: string | null): void {
    this.chosen.set(key);
  }

  /** Chooses what stands before or after the chosen part. */
  goOn(by: 1 | -1): void {
    const keys = itemsOfPage(this.page()).filter(isShownAlone).map(keyOfItem);
    const next = keys[keys.indexOf(this.chosen() ?? '') + by];
    if (next !== undefined) this.choose(next);
  }

  /** Puts a new piece of a sort into a place. */
  add(type: PieceTypeName, place: PiecePlace): void {
    const made = newPiece(type, this.choices());
    if ('piece' in made) this.put(made.piece, place);
  }

  addStrip(at: number, columns = 1): void {
    this.takeAndChoose(addStrip(this.page(), at, columns));
  }

  /** Doubles the chosen part. */
  double(): void {
    const item = this.item();
    if (item?.of === 'piece') this.takeAndChoose(copyPiece(this.page(), item));
    if (item?.of === 'strip') this.takeAndChoose(copyStrip(this.page(), item));
  }

  /** Puts what was copied behind the chosen part; a strip at the end where nothing is chosen. */
  paste(copied: Copied): void {
    const [page, item] = [this.page(), this.item()];
    const strip = item ? Number(item.at[1]) : page.strips.length - 1;
    if (copied.of === 'strip') return this.takeAndChoose(pasteStrip(page, strip + 1, copied.strip));
    const place = item?.of === 'piece' ? behind(placeOfPiece(page, item)) : this.endOf(item);
    if (place) this.put(copied.piece, place);
  }

  remove(): void {
    const item = this.item();
    if (!item || item.of === 'column') return;
    const keys = itemsOfPage(this.page())
      .filter((one) => one.of === item.of)
      .map(keyOfItem);
    const at = keys.indexOf(keyOfItem(item));
    this.take(removeItem(item));
    this.choose(keys[at + 1] ?? keys[at - 1] ?? null);
  }

  /** Moves the chosen part one place up or down; a piece at the end of its column into the next one. */
  shift(by: 1 | -1): void {
    const [page, item] = [this.page(), this.item()];
    if (item?.of === 'strip') {
      const to = Number(item.at[1]) + by;
      if (to >= 0 && to < page.strips.length) this.take(moveStrip(item, to));
    }
    if (item?.of !== 'piece') return;
    const columns = page.strips.flatMap((strip) => strip.columns);
    const { column: key, at } = placeOfPiece(page, item);
    const column = columns.findIndex((one) => one.key === key);
    const to = at + by;
    if (to >= 0 && to < columns[column]!.pieces.length) return this.moveTo(item, { column: key, at: to });
    const next = columns[column + by];
    if (next) this.moveTo(item, { column: next.key, at: by === 1 ? 0 : next.pieces.length });
  }

  /** Moves a piece; `to` is its place once it has been taken out. */
  move(key: string, to: PiecePlace): void {
    const item = itemOfPage(this.page(), key);
    if (item?.of === 'piece') this.moveTo(item, to);
  }

  /** Moves a piece before or behind another one. */
  moveBeside(key: string, other: string, isBehind: boolean): void {
    const [page, target] = [this.page(), itemOfPage(this.page(), other)];
    const item = itemOfPage(page, key);
    if (item?.of !== 'piece' || target?.of !== 'piece') return;
    const [from, onto] = [placeOfPiece(page, item), placeOfPiece(page, target)];
    const at = onto.at + (isBehind ? 1 : 0);
    // Those behind it move up once it has been taken out.
    const isBefore = from.column === onto.column && from.at < at;
    this.moveTo(item, { column: onto.column, at: isBefore ? at - 1 : at });
  }

  moveStrip(key: string, to: number): void {
    const item = itemOfPage(this.page(), key);
    if (item?.of === 'strip') this.take(moveStrip(item, to));
  }

  /** Changes the chosen piece; changes of the same property one after the other are one step. */
  changePiece(change: Partial<Omit<Piece, 'key' | 'type'>>, mark = Object.keys(change).join(' ')): void {
    const item = this.item();
    if (item?.of === 'piece') this.take(changePiece(item, change), `${item.piece.key} ${mark}`);
  }

  changeStrip(change: Partial<Omit<Strip, 'key'>>): void {
    const item = this.item();
    if (item?.of === 'strip')
      this.take(changeStrip(item, change), `${item.strip.key} ${Object.keys(change).join(' ')}`);
  }

  setColumns(count: number): void {
    const item = this.item();
    if (item?.of === 'strip') this.take(setColumns(this.page(), item, count));
  }

  changeColumn(key: string, change: Partial<Omit<PageColumn, 'key' | 'pieces'>>): void {
    const item = itemOfPage(this.page(), key);
    if (item?.of === 'column') this.take(changeColumn(item, change), `${key} ${Object.keys(change).join(' ')}`);
  }

  /** Begins anew with a page that is made for kinds of some sort; it is a step like any other. */
  begin(starter: PageStarter, cast: Cast): void {
    const { kind } = this.around;
    if (!kind) return;
    this.take(beginPage(starter, kind, this.page(), cast));
    this.choose(null);
  }

  /** The same with a page from a file; its name, and what it is for, stay. */
  beginWithFile(file: Extract<StarterFile, { readonly type: 'page' }>, cast: Cast): void {
    const { kind, check } = this.around;
    if (!kind) return;
    const page = this.page();
    const { title, description, strips } = pageOfFile(file, cast, kind, check);
    const words = `Began with “${file.definition.name}” from a file`;
    this.take(replacePage(page, { ...page, title, description, strips }, words));
    this.choose(null);
  }

  /** As a file; null for a page of no kind. */
  asFile(): StarterFile | null {
    const { kind, check } = this.around;
    return kind && starterFileOf({ type: 'page', definition: this.page() }, kind, check.kindById);
  }

  set<Key extends Exclude<keyof PageDesign, 'strips'>>(key: Key, value: PageDesign[Key]): void {
    this.take(changePage(this.page(), key, value), key);
  }

  /** The chosen part as something that can be pasted elsewhere. */
  copied(): Copied | null {
    const item = this.item();
    if (item?.of === 'strip') return { of: 'strip', strip: item.strip };
    return item?.of === 'piece' ? { of: 'piece', piece: item.piece } : null;
  }

  /** The end of the chosen column, of the last column of the chosen strip, or of the page. */
  endOf(item: PageItem | null): PiecePlace | null {
    const column = item?.of === 'column' ? item.column : (item?.strip ?? this.page().strips.at(-1))?.columns.at(-1);
    return column ? { column: column.key, at: column.pieces.length } : null;
  }

  private put(piece: Piece, place: PiecePlace): void {
    if (pathOfPlace(this.page(), place)) this.takeAndChoose(addPiece(this.page(), place, piece)!);
  }

  private moveTo(item: Extract<PageItem, { of: 'piece' }>, to: PiecePlace): void {
    this.take(movePiece(this.page(), item, to));
  }

  private takeAndChoose(step: DesignStep): void {
    this.take(step);
    if (step.act === 'add') this.choose((step.item as { readonly key: string }).key);
  }

  private take(step: DesignStep | null, mark: string | null = null): void {
    this.history.take(step, mark);
  }
}

/** Whether a part stands in the outline by itself: the only column of a strip does not. */
export function isShownAlone(item: PageItem): boolean {
  return item.of !== 'column' || item.strip.columns.length > 1;
}

function behind({ column, at }: PiecePlace): PiecePlace {
  return { column, at: at + 1 };
}
