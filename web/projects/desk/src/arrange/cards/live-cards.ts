import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input } from '@angular/core';
import type { DesignSamples } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import { AWKWARD_WORDS, placeOfSlot } from '@plindo/core/design';
import { CardMaker } from '@plindo/core/page';
import { Card } from '@plindo/listing-view';
import { DragAmong } from '../design/drag-among';
import type { CardWork } from './card-work';

/**
 * A card as it will be seen, with the listings with which it is likely to break. A click chooses what it shows, and what
 * is dragged goes before or after what it is dropped on.
 */
@Component({
  selector: 'pl-live-cards',
  imports: [Card],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (one of shown().cards; track one.card.id) {
        <li>
          <p class="why quiet">{{ one.why }}</p>
          <pl-card [card]="one.card" [forms]="shown().forms" [showsSlots]="true" />
        </li>
      } @empty {
        <li class="quiet">This kind has no listings yet. Add one under Fill to see its card.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: block;
      min-inline-size: 0;
      padding: 1rem;
      background: var(--pl-paper);
      color: var(--pl-ink);
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
      gap: 1.25rem 1rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-rows: auto 1fr;
      gap: 0.25rem;
      min-inline-size: 0;
    }
    .why {
      min-block-size: 1.25rem;
      font-size: 0.8125rem;
    }
    /* Every slot can be pointed at by itself. */
    :host ::ng-deep pl-card a.title::after {
      content: none;
    }
    :host ::ng-deep pl-card [data-slot]:hover {
      outline: 1px dashed var(--pl-accent);
      cursor: pointer;
    }
    :host ::ng-deep pl-card [data-slot].drop-before {
      box-shadow: 0 -3px var(--pl-signal);
    }
    :host ::ng-deep pl-card [data-slot].drop-after {
      box-shadow: 0 3px var(--pl-signal);
    }
    :host ::ng-deep pl-card [data-slot].chosen {
      outline: 2px solid var(--pl-accent);
      outline-offset: 2px;
    }
  `,
  host: { '(click)': 'choose($event)' },
})
export class LiveCards {
  readonly work = input.required<CardWork>();
  readonly samples = input.required<DesignSamples>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly shown = computed(() => {
    const { work, samples } = { work: this.work(), samples: this.samples() };
    const { kind, kindById, context } = work;
    const design: Design = { id: 0, version: 0, type: 'card', kindId: kind.id, position: 0, definition: work.card() };
    const linked = new Map(samples.linked.map((listing) => [listing.id, listing]));
    const maker = new CardMaker({ context, kindById, designs: [design] }, (id) => linked.get(id));
    const cards = samples.samples.map(({ listing, why }) => ({
      card: maker.card(listing, kind),
      why: why.map((one) => AWKWARD_WORDS[one]).join(', '),
    }));
    return { cards, forms: maker.forms };
  });

  constructor() {
    new DragAmong(this.host.nativeElement, 'slot', (from, onto, isBehind) => this.dropped(from, onto, isBehind));
    effect(() => {
      const chosen = this.work().chosen();
      this.shown();
      setTimeout(() => this.mark(chosen));
    });
  }

  /** Links on the cards lead nowhere here. */
  protected choose(event: Event): void {
    event.preventDefault();
    const target = (event.target as Element).closest('[data-slot], pl-card');
    if (!target) return;
    this.work().choose(target instanceof HTMLElement ? (target.dataset['slot'] ?? null) : null);
  }

  private dropped(lifted: string, target: string, isBehind: boolean): void {
    const work = this.work();
    const [from, onto] = [placeOfSlot(work.card(), lifted), placeOfSlot(work.card(), target)];
    if (!from || !onto) return;
    const at = onto.at + (isBehind ? 1 : 0);
    // Those behind it move up once it has been taken out.
    const isBefore = from.zone === onto.zone && from.at < at;
    work.move(from, { zone: onto.zone, at: isBefore ? at - 1 : at });
  }

  private mark(chosen: string | null): void {
    for (const slot of this.host.nativeElement.querySelectorAll<HTMLElement>('[data-slot]')) {
      slot.classList.toggle('chosen', slot.dataset['slot'] === chosen);
      slot.draggable = true;
    }
  }
}
