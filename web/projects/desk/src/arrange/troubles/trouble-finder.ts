import type { ApplicationRef, ComponentRef, EnvironmentInjector } from '@angular/core';
import { createComponent } from '@angular/core';
import type { CardForms, CardModel, DesignedPage } from '@plindo/core/page';
import { Card, DesignedPageView } from '@plindo/listing-view';
import type { Trouble } from './measure';
import { troublesIn } from './measure';

/** The widths of screens at which is measured, in px. */
export const SCREEN_WIDTHS = { phone: 390, tablet: 768, wide: 1280 } as const;
export type Screen = keyof typeof SCREEN_WIDTHS;

/** About as wide as a card stands in a list on each of them, in px. */
const CARD_WIDTHS: Readonly<Record<Screen, number>> = { phone: 358, tablet: 350, wide: 280 };

/** A listing that is drawn badly, where. */
export interface FoundTrouble extends Trouble {
  readonly listing: { readonly id: number; readonly title: string };
  readonly screens: readonly Screen[];
}

/** Draws cards and pages where nobody sees them, and measures what is wrong with each at three widths. */
export class TroubleFinder {
  private readonly host = document.createElement('div');

  constructor(
    private readonly app: ApplicationRef,
    private readonly environmentInjector: EnvironmentInjector,
  ) {
    this.host.className = 'trouble-host';
    this.host.inert = true;
    this.host.setAttribute('aria-hidden', 'true');
    document.body.appendChild(this.host);
  }

  end(): void {
    this.host.remove();
  }

  /** What is wrong with cards. */
  ofCards(cards: readonly CardModel[], forms: CardForms): FoundTrouble[] {
    return cards.flatMap((card) => {
      const { id, title } = card;
      const shown = this.draw(Card, { card, forms });
      const measured = this.measured(shown.location.nativeElement as HTMLElement, CARD_WIDTHS);
      shown.destroy();
      const always: Trouble[] = [
        ...(card.picture === null && forms[card.form]?.picture.stands !== 'none'
          ? [{ sort: 'no-picture' as const, what: 'A drawn one stands there' }]
          : []),
        ...(Object.keys(card.values).length <= 1 ? [{ sort: 'empty' as const, what: 'Nothing but its title' }] : []),
      ];
      const everywhere = Object.keys(SCREEN_WIDTHS) as Screen[];
      return [...measured, ...always.map((trouble) => ({ ...trouble, screens: everywhere }))].map((trouble) => ({
        ...trouble,
        listing: { id, title },
      }));
    });
  }

  /** What is wrong with the page of a listing. */
  ofPage(model: DesignedPage, listing: FoundTrouble['listing']): FoundTrouble[] {
    const shown = this.draw(DesignedPageView, { model });
    const measured = this.measured(shown.location.nativeElement as HTMLElement, SCREEN_WIDTHS);
    shown.destroy();
    return measured.map((trouble) => ({ ...trouble, listing }));
  }

  private draw<Shown>(
    component: Parameters<typeof createComponent<Shown>>[0],
    inputs: Readonly<Record<string, unknown>>,
  ): ComponentRef<Shown> {
    const { environmentInjector } = this;
    const shown = createComponent(component, { environmentInjector });
    for (const [name, value] of Object.entries(inputs)) shown.setInput(name, value);
    this.host.replaceChildren(shown.location.nativeElement as HTMLElement);
    this.app.attachView(shown.hostView);
    shown.changeDetectorRef.detectChanges();
    return shown;
  }

  /** What is wrong at each width, the same trouble at several of them told once. */
  private measured(
    element: HTMLElement,
    widths: Readonly<Record<Screen, number>>,
  ): (Trouble & { readonly screens: readonly Screen[] })[] {
    const found = new Map<string, Trouble & { readonly screens: readonly Screen[] }>();
    for (const [screen, width] of Object.entries(widths) as [Screen, number][]) {
      this.host.style.inlineSize = `${width}px`;
      for (const trouble of troublesIn(element)) {
        const key = `${trouble.sort} ${trouble.what}`;
        found.set(key, { ...trouble, screens: [...(found.get(key)?.screens ?? []), screen] });
      }
    }
    return [...found.values()];
  }
}
