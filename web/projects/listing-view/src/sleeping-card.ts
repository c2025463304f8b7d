import type { ComponentRef, OnDestroy, OnInit } from '@angular/core';
import {
  Directive,
  ElementRef,
  EnvironmentInjector,
  InjectionToken,
  PLATFORM_ID,
  createComponent,
  inject,
  input,
} from '@angular/core';
import { isPlatformServer } from '@angular/common';
import type { CardForms, CardModel } from '@plindo/core/page';
import { Card } from './card';
import { withoutMarks } from './drawn-place';

/** Where the server keeps the HTML of cards between pages; browsers keep none. */
export interface KeptCards {
  get(key: string): string | undefined;
  set(key: string, html: string): void;
}

export const KEPT_CARDS = new InjectionToken<KeptCards | null>('HTML of cards', { factory: () => null });

/** HTML that was kept under a key, else what is drawn now, which is kept. */
export function keptHtml(kept: KeptCards | null, key: string, draw: () => string): string {
  const known = kept?.get(key);
  if (known !== undefined) return known;
  const html = draw();
  kept?.set(key, html);
  return html;
}

/**
 * The place of a card that never changes: lists track cards by their print. What came from the server is left as it is,
 * asleep, so that neither the page nor the browser has anything to do with it; what comes later is drawn here. On the
 * server a card is drawn once and its HTML kept, as cards are most of the work that a page makes.
 */
@Directive({ selector: 'pl-card[sleeping]' })
export class SleepingCard implements OnInit, OnDestroy {
  readonly card = input.required<CardModel>({ alias: 'sleeping' });
  /** Of all cards on the page. */
  readonly forms = input.required<CardForms>();
  /** True when the card is seen without scrolling. */
  readonly eager = input(false);

  private readonly place = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly environmentInjector = inject(EnvironmentInjector);
  private readonly kept = inject(KEPT_CARDS);
  private readonly isServer = isPlatformServer(inject(PLATFORM_ID));
  private drawn: ComponentRef<Card> | undefined;

  ngOnInit(): void {
    if (this.isServer) this.place.innerHTML = this.html();
    else if (!this.place.firstElementChild) this.drawn = this.draw(this.place);
  }

  ngOnDestroy(): void {
    this.drawn?.destroy();
  }

  private html(): string {
    const key = this.eager() ? `${this.card().print} eager` : this.card().print;
    return keptHtml(this.kept, key, () => {
      const drawn = this.draw();
      const { innerHTML } = drawn.location.nativeElement as HTMLElement;
      drawn.destroy();
      return withoutMarks(innerHTML);
    });
  }

  private draw(hostElement?: HTMLElement): ComponentRef<Card> {
    const { environmentInjector } = this;
    const card = createComponent(Card, { environmentInjector, ...(hostElement && { hostElement }) });
    card.setInput('card', this.card());
    card.setInput('forms', this.forms());
    card.setInput('eager', this.eager());
    card.changeDetectorRef.detectChanges();
    return card;
  }
}
