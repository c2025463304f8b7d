import { NgComponentOutlet } from '@angular/common';
import type { Type } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  forwardRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import type { AreaModel, ColumnModel, DesignedPage, PieceModel, StripModel, SuggestionModel } from '@plindo/core/page';
import { isQuiet } from '@plindo/core/page';
import { searchOfForm } from '../form-state';
import { MAKE_WORDS, PAGE_WORDS } from '../page-words';
import { PictureView } from '../picture';
import { QuietPiece } from '../quiet-piece';
import { whenIdle } from '../browser';
import { PAGE_CARD_FORMS, PAGE_LISTING } from './page-context';
import { PIECE_VIEWS } from './registry';
import type { PageSteering, StateChange, TypedWords } from './steering';
import { PAGE_STEERING } from './steering';

const TYPING_PAUSE_IN_MS = 250;

/**
 * A page by its design: strips, columns in them, pieces in these. The controls of a list stand in pieces wherever the
 * design puts them and are parts of one form, so that all works without JavaScript; with it, each change is told at once.
 * Its styles stand in the sheet (`styles/_page.scss`).
 */
@Component({
  selector: 'pl-designed-page',
  imports: [NgComponentOutlet, PictureView, QuietPiece],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (area of model().areas; track area.key) {
      <form method="get" [id]="area.form" [action]="area.path">
        @for (other of area.others; track $index) {
          <input type="hidden" [name]="other[0]" [value]="other[1]" />
        }
      </form>
    }
    @if (model().over) {
      <p class="over-note">{{ model().over }}</p>
    }
    @for (strip of model().strips; track strip.key) {
      <section [class]="lookOf(strip)" [attr.id]="strip.anchor || null">
        @if (strip.picture; as picture) {
          <pl-picture class="behind" [picture]="picture" sizes="100vw" [eager]="$first" />
        }
        <div class="columns" [style.--columns]="columnsOf(strip)">
          @for (column of strip.columns; track column.key) {
            <div class="column" [style.--order]="column.order">
              @for (piece of column.pieces; track piece.key) {
                @if (isQuiet(piece)) {
                  <pl-quiet [class]="piece.screens ? 'only-' + piece.screens : null" [piece]="piece" />
                } @else if (piece.screens) {
                  <div [class]="'only-' + piece.screens">
                    <ng-container [ngComponentOutlet]="viewOf(piece)" [ngComponentOutletInputs]="{ piece }" />
                  </div>
                } @else {
                  <ng-container [ngComponentOutlet]="viewOf(piece)" [ngComponentOutletInputs]="{ piece }" />
                }
              }
            </div>
          }
        </div>
      </section>
    }
  `,
  providers: [
    { provide: PAGE_CARD_FORMS, useFactory: () => inject(forwardRef(() => DesignedPageView)).forms },
    { provide: PAGE_LISTING, useFactory: () => inject(forwardRef(() => DesignedPageView)).listing },
    { provide: PAGE_WORDS, useFactory: () => inject(forwardRef(() => DesignedPageView)).words },
    { provide: PAGE_STEERING, useExisting: forwardRef(() => DesignedPageView) },
  ],
  host: { '(change)': 'tell($event)', '(submit)': 'submit($event)' },
})
export class DesignedPageView implements PageSteering {
  readonly model = input.required<DesignedPage>();
  readonly suggestions = input<readonly SuggestionModel[]>([]);
  readonly places = input<readonly string[]>([]);
  readonly stateChange = output<StateChange>();
  readonly typed = output<TypedWords>();
  readonly placeTyped = output<string>();

  readonly interactive = signal(false);
  readonly forms = computed(() => this.model().cardForms);
  readonly listing = computed(() => this.model().listing?.id ?? null);
  private readonly wordsOf = inject(MAKE_WORDS);
  readonly words = computed(() => this.wordsOf(this.model().words));
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private typing: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    afterNextRender(() => whenIdle(() => this.interactive.set(true)));
  }

  follow(change: StateChange): void {
    clearTimeout(this.typing);
    this.stateChange.emit(change);
  }

  type(words: TypedWords): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => {
      const area = this.model().areas.find(({ key }) => key === words.area);
      if (area) this.stateChange.emit({ url: this.stateUrl(area), replace: true });
      if (words.text.trim() !== '') this.typed.emit(words);
    }, TYPING_PAUSE_IN_MS);
  }

  typePlace(text: string): void {
    this.placeTyped.emit(text);
  }

  protected tell({ target }: Event): void {
    const { form, dataset } = target as HTMLInputElement;
    const area = this.areaOf(form);
    if (area && dataset['notState'] === undefined) this.follow({ url: this.stateUrl(area), replace: false });
  }

  protected submit(event: Event): void {
    const area = this.areaOf(event.target as HTMLFormElement);
    if (!area) return;
    event.preventDefault();
    this.follow({ url: this.stateUrl(area), replace: false });
  }

  protected readonly isQuiet = isQuiet;

  protected viewOf({ type }: PieceModel): Type<unknown> {
    return PIECE_VIEWS[type];
  }

  protected lookOf({ width, tone, space, picture, screens }: StripModel): string {
    const only = screens ? ` only-${screens}` : '';
    return `strip width-${width} tone-${tone} space-${space}${picture ? ' on-picture' : ''}${only}`;
  }

  /** The widths of the columns, as CSS has them. */
  protected columnsOf({ columns }: StripModel): string {
    const widthOf = ({ rem, share }: ColumnModel): string => (rem > 0 ? `${rem}rem` : `minmax(0, ${share}fr)`);
    return columns.map(widthOf).join(' ');
  }

  private areaOf(form: HTMLFormElement | null): AreaModel | undefined {
    return this.model().areas.find((area) => area.form === form?.id);
  }

  private stateUrl({ form, path, sort }: AreaModel): string {
    const shown = this.host.querySelector<HTMLFormElement>(`form#${form}`)!;
    const entries = [...new FormData(shown)].map(([name, value]) => [name, String(value)] as const);
    const search = searchOfForm(entries.filter(([name, value]) => name !== sort.name || value !== sort.byItself));
    return search === '' ? path : `${path}?${search}`;
  }
}
