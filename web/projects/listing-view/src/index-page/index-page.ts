import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { IndexPage, SuggestionModel } from '@plindo/core/page';
import { Facets } from '../facets/facets';
import { searchOfForm } from '../form-state';
import { Icon } from '../icons/icon';
import { PictureView } from '../picture';
import { SleepingCard } from '../sleeping-card';
import { DateGroups } from './date-groups';
import { Pager } from './pager';
import { SearchBox } from './search-box';

const TYPING_PAUSE_IN_MS = 250;

/** An address that a page's own controls lead to. */
export interface StateChange {
  readonly url: string;
  /** Whether it takes the place of the present one, as while words are being typed. */
  readonly replace: boolean;
  /** Whether the visitor stays where they are on the page, as when more is shown. */
  readonly stays?: boolean;
}

/**
 * The index page of a kind: search, facets, chips, sort choices, Featured strip, cards and pager. Everything is a link
 * or part of one form, so that it works without JavaScript; with it, each change of the form is told at once.
 */
@Component({
  selector: 'pl-index-page',
  imports: [DateGroups, Facets, Icon, Pager, PictureView, SearchBox, SleepingCard],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './index-page.html',
  styleUrl: './index-page.scss',
  host: { '(keydown.escape)': 'closeSheet()' },
})
export class IndexPageView {
  readonly model = input.required<IndexPage>();
  /** What fits the words that are being typed, and the names of places. */
  readonly suggestions = input<readonly SuggestionModel[]>([]);
  readonly places = input<readonly string[]>([]);
  readonly stateChange = output<StateChange>();
  readonly typed = output<string>();
  readonly placeTyped = output<string>();

  protected readonly interactive = signal(false);
  protected readonly sheetOpen = signal(false);
  protected readonly path = computed(() => `/${this.model().kind.slug}`);
  protected readonly chosen = computed(() => this.model().chips.length);

  private readonly form = viewChild.required<ElementRef<HTMLFormElement>>('form');
  private readonly opener = viewChild<ElementRef<HTMLButtonElement>>('opener');
  private readonly sheet = viewChild.required<ElementRef<HTMLElement>>('sheet');
  private typing: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    afterNextRender(() => this.interactive.set(true));
  }

  protected tell(event: Event): void {
    if ((event.target as HTMLElement).dataset['notState'] !== undefined) return;
    clearTimeout(this.typing);
    this.stateChange.emit({ url: this.stateUrl(), replace: false });
  }

  protected tellTyping(text: string): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => {
      this.stateChange.emit({ url: this.stateUrl(), replace: true });
      if (text.trim() !== '') this.typed.emit(text);
    }, TYPING_PAUSE_IN_MS);
  }

  protected follow(url: string): void {
    clearTimeout(this.typing);
    this.stateChange.emit({ url, replace: false });
  }

  protected showMore(url: string): void {
    this.stateChange.emit({ url, replace: false, stays: true });
  }

  protected submit(event: Event): void {
    event.preventDefault();
    clearTimeout(this.typing);
    this.stateChange.emit({ url: this.stateUrl(), replace: false });
    this.closeSheet();
  }

  protected openSheet(): void {
    this.sheetOpen.set(true);
    setTimeout(() => this.sheet().nativeElement.focus());
  }

  protected closeSheet(): void {
    if (!this.sheetOpen()) return;
    this.sheetOpen.set(false);
    setTimeout(() => this.opener()?.nativeElement.focus());
  }

  private stateUrl(): string {
    const entries = [...new FormData(this.form().nativeElement)].map(([name, value]) => [name, String(value)] as const);
    const bySelf = this.model().sorts[0]?.key;
    const search = searchOfForm(entries.filter(([name, value]) => name !== 'sort' || value !== bySelf));
    return search === '' ? this.path() : `${this.path()}?${search}`;
  }
}
