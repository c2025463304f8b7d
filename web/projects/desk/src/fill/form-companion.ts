import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { CatalogApi, FIRST_ASK } from '@plindo/api';
import type { Listing, ListingContent, Values } from '@plindo/core/listings';
import { cardOf } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import { Card } from '@plindo/listing-view';
import { Reading } from '../shared/reading';
import type { Draft } from './form-draft';
import { missingFrom } from './form-draft';

const TYPING_PAUSE_IN_MS = 500;
const ALIKE_AT_MOST = 5;

/** Beside the form: the card that a visitor will see, what is missing, and listings of the same title. */
@Component({
  selector: 'pl-form-companion',
  imports: [Card, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel" aria-label="What a visitor will see">
      <h2>What a visitor will see</h2>
      @if (card(); as shown) {
        <pl-card [card]="shown" inert />
      }
      @if (page(); as href) {
        <p><a [href]="href" target="_blank" rel="noopener">See its page</a></p>
      }
      @if (missing().length) {
        <h3>What is missing</h3>
        <ul>
          @for (sentence of missing(); track sentence) {
            <li>{{ sentence }}</li>
          }
        </ul>
      }
      @if (alike().length) {
        <h3>Called the same</h3>
        <ul>
          @for (other of alike(); track other.id) {
            <li>
              <a [routerLink]="['/fill', kind().id, other.id]">{{ other.title }}</a>
            </li>
          }
        </ul>
      }
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 0.75rem;
    }
    h3 {
      font-size: 1rem;
    }
    ul {
      margin: 0;
      padding-inline-start: 1.25rem;
      color: var(--pl-quiet);
    }
  `,
})
export class FormCompanion {
  readonly kind = input.required<Kind>();
  readonly draft = input.required<Draft>();
  /** What was typed, read. */
  readonly content = input.required<ListingContent | null>();
  /** As it is kept; null for a new one. */
  readonly listing = input.required<Listing | null>();
  readonly computed = input.required<Values>();

  private readonly api = inject(CatalogApi);
  private readonly context = inject(Reading).context;

  protected readonly card = computed(() => {
    const content = this.content();
    const kept = this.listing() ?? {
      id: 0,
      kindId: this.kind().id,
      version: 0,
      createdAt: 0,
      changedAt: 0,
      binnedAt: null,
    };
    if (!content) return null;
    const { fields } = this.kind();
    const linked = fields
      .filter(({ type }) => type === 'link')
      .map(({ key }) => [key, this.draft().values[key]] as const);
    const values = { ...content.values, ...this.computed(), ...Object.fromEntries(linked) };
    const listing: Listing = { ...kept, ...content, values };
    return { ...cardOf(listing, this.kind(), this.context()), href: null };
  });
  protected readonly page = computed(() => {
    const [kind, listing] = [this.kind(), this.listing()];
    const hasPage = kind.published && kind.hasListingPages && !kind.putAside && listing?.status === 'live';
    return hasPage ? `/${kind.slug}/${listing.slug}` : null;
  });
  protected readonly missing = computed(() => missingFrom(this.draft(), this.kind()));
  protected readonly alike = signal<readonly Listing[]>([]);
  private readonly title = computed(() => foldText(this.draft().title.trim()));

  constructor() {
    effect((onCleanup) => {
      const title = this.title();
      const timer = setTimeout(() => this.findAlike(title), TYPING_PAUSE_IN_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }

  private findAlike(title: string): void {
    if (title === '') {
      this.alike.set([]);
      return;
    }
    const ask = { ...FIRST_ASK, text: title, offset: 0, limit: 50 };
    this.api.listings(this.kind().id, ask).subscribe({
      next: ({ listings }) => {
        const others = listings.filter(({ id }) => id !== this.listing()?.id);
        this.alike.set(others.filter((other) => foldText(other.title) === title).slice(0, ALIKE_AT_MOST));
      },
      // A hint that cannot be given is no reason to disturb.
      error: () => this.alike.set([]),
    });
  }
}
