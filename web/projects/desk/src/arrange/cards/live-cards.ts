import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input } from '@angular/core';
import type { DesignSamples } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import { AWKWARD_WORDS, placeOfSlot } from '@plindo/core/design';
import { CardMaker } from '@plindo/core/page';
import { Card } from '@plindo/listing-view';
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
  host: {
    '(click)': 'choose($event)',
    '(dragstart)': 'lift($event)',
    '(dragover)': 'dragOver($event)',
    '(drop)': 'drop($event)',
    '(dragend)': 'letGo()',
  },
})
export class LiveCards {
  readonly work = input.required<CardWork>();
  readonly samples = input.required<DesignSamples>();

  /** Key of the slot that is being dragged. */
  private lifted: string | null = null;
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

  protected lift(event: DragEvent): void {
    const slot = slotAt(event);
    this.lifted = slot?.dataset['slot'] ?? null;
    if (!slot || !event.dataTransfer) return;
    event.dataTransfer.effectAllowed = 'move';
    // Firefox drags nothing without data.
    event.dataTransfer.setData('text/plain', this.lifted ?? '');
  }

  protected dragOver(event: DragEvent): void {
    const slot = this.lifted === null ? null : slotAt(event);
    this.clearMarks();
    if (!slot) return;
    event.preventDefault();
    slot.classList.add(isBehind(event, slot) ? 'drop-after' : 'drop-before');
  }

  protected drop(event: DragEvent): void {
    const [work, slot] = [this.work(), slotAt(event)];
    const from = this.lifted === null ? null : placeOfSlot(work.card(), this.lifted);
    const onto = placeOfSlot(work.card(), slot?.dataset['slot'] ?? '');
    if (slot && from && onto) {
      event.preventDefault();
      const at = onto.at + (isBehind(event, slot) ? 1 : 0);
      // Those behind it move up once it has been taken out.
      const isBefore = from.zone === onto.zone && from.at < at;
      work.move(from, { zone: onto.zone, at: isBefore ? at - 1 : at });
    }
    this.letGo();
  }

  protected letGo(): void {
    this.lifted = null;
    this.clearMarks();
  }

  private clearMarks(): void {
    for (const slot of this.host.nativeElement.querySelectorAll('.drop-before, .drop-after')) {
      slot.classList.remove('drop-before', 'drop-after');
    }
  }

  private mark(chosen: string | null): void {
    for (const slot of this.host.nativeElement.querySelectorAll<HTMLElement>('[data-slot]')) {
      slot.classList.toggle('chosen', slot.dataset['slot'] === chosen);
      slot.draggable = true;
    }
  }
}

function slotAt({ target }: Event): HTMLElement | null {
  return target instanceof Element ? target.closest<HTMLElement>('[data-slot]') : null;
}

/** Whether a point lies in the lower half of something. */
function isBehind({ clientY }: MouseEvent, element: HTMLElement): boolean {
  const { top, height } = element.getBoundingClientRect();
  return clientY > top + height / 2;
}
