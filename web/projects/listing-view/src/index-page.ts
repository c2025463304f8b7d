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
import type { IndexPage } from '@plindo/core/page';
import { Card } from './card';
import { Facets } from './facets';
import { searchOfForm } from './form-state';
import { Icon } from './icons/icon';
import { Pager } from './pager';
import { PictureView } from './picture';

const TYPING_PAUSE_IN_MS = 250;

/**
 * The index page of a kind: search, facets, chips, sort choices, Featured strip, cards and pager. Everything is a link
 * or part of one form, so that it works without JavaScript; with it, each change of the form is told at once.
 */
@Component({
  selector: 'pl-index-page',
  imports: [Card, Facets, Icon, Pager, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './index-page.html',
  styleUrl: './index-page.scss',
  host: { '(keydown.escape)': 'closeSheet()' },
})
export class IndexPageView {
  readonly model = input.required<IndexPage>();
  /** The address of the state that the visitor has set the form to; "replace" while words are being typed. */
  readonly stateChange = output<{ readonly url: string; readonly replace: boolean }>();

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

  protected tellTyping(): void {
    clearTimeout(this.typing);
    this.typing = setTimeout(() => this.stateChange.emit({ url: this.stateUrl(), replace: true }), TYPING_PAUSE_IN_MS);
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
