import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { DesignsApi } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import { cardsOfKind, firstCard } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { Notices } from '../../shared/notices';

/** The cards of a kind, the main one first; each leads to the designer. */
@Component({
  selector: 'pl-cards-panel',
  imports: [Icon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      @for (card of cards(); track card.id; let first = $first) {
        <li>
          <a [routerLink]="['/arrange', kind().id, 'cards', card.id]">{{ card.definition.name }}</a>
          @if (first) {
            <span class="quiet">main card</span>
          } @else {
            <button matButton (click)="makeMain(card.id)">Make it the main card</button>
          }
          <button matIconButton [attr.aria-label]="'Delete ' + card.definition.name" (click)="remove(card.id)">
            <pl-icon name="delete" />
          </button>
        </li>
      } @empty {
        <li>
          <a [routerLink]="['/arrange', kind().id, 'cards', 'main']">{{ proposed().name }}</a>
          <span class="quiet">made from the fields</span>
        </li>
      }
    </ul>
    <a matButton="outlined" [routerLink]="['/arrange', kind().id, 'cards', cards().length ? 'new' : 'main']">
      {{ cards().length ? 'Add a card' : 'Design the card' }}
    </a>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    ul {
      inline-size: 100%;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 0.75rem;
      align-items: center;
      min-block-size: 2.5rem;
    }
    li a {
      flex: 1;
    }
  `,
})
export class CardsPanel {
  readonly kind = input.required<Kind>();

  private readonly api = inject(DesignsApi);
  private readonly notices = inject(Notices);
  private readonly store = inject(DesignsStore);
  protected readonly cards = computed(() => cardsOfKind(this.kind().id, this.store.designs() ?? []));
  protected readonly proposed = computed(() => firstCard(this.kind()));

  constructor() {
    void this.store.reload();
  }

  protected makeMain(id: number): void {
    this.tell(this.api.makeMain(id), `Made ${this.nameOf(id)} the main card`);
  }

  protected remove(id: number): void {
    this.tell(this.api.remove(id), `Deleted the card ${this.nameOf(id)}`);
  }

  private tell(sent: Observable<Changed<unknown>>, sentence: string): void {
    this.notices.tellAndShow(sent, sentence, () => void this.store.reload());
  }

  private nameOf(id: number): string {
    return this.cards().find((card) => card.id === id)?.definition.name ?? '';
  }
}
