import { ChangeDetectionStrategy, Component, computed, effect, inject, input, model, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CatalogApi, FIRST_ASK, PausedQuestion, SessionStore } from '@plindo/api';
import { fieldsOnCard, pagesFor, standardListingPage } from '@plindo/core/design';
import type { Listing, ListingContent, Values } from '@plindo/core/listings';
import { isShown } from '@plindo/core/listings';
import { CardMaker, pageOf, pageServing } from '@plindo/core/page';
import type { Kind, LinkedListing } from '@plindo/core/structure';
import { isKindShown } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import { Card, DesignedPageView } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { map, of } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import type { Draft } from './form-draft';
import { missingFrom } from './form-draft';

const ALIKE_AT_MOST = 5;

/** Beside the form: the card and the page that a visitor will see, what is missing, and listings of the same title. */
@Component({
  selector: 'pl-form-companion',
  imports: [Card, DesignedPageView, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel" aria-label="What a visitor will see">
      <h2>What a visitor will see</h2>
      <div class="which" role="group" aria-label="What is shown">
        <button matButton type="button" [attr.aria-pressed]="!showsPage()" (click)="showsPage.set(false)">Card</button>
        <button matButton type="button" [attr.aria-pressed]="showsPage()" (click)="showsPage.set(true)">Page</button>
        @if (page(); as href) {
          <a [href]="href" target="_blank" rel="noopener">See it on the site</a>
        }
      </div>
      @if (shown(); as now) {
        @if (showsPage()) {
          <div class="page" tabindex="0" role="group" aria-label="Its page">
            <pl-designed-page [attr.style]="now.page.look || null" [model]="now.page" inert />
          </div>
        } @else {
          <pl-card [card]="now.card" [forms]="now.forms" inert />
        }
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
    .which {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem;
      align-items: center;
    }
    .which [aria-pressed='true'] {
      background: var(--pl-wash);
      font-weight: 640;
    }
    .page {
      max-block-size: 70vh;
      padding: 0.75rem;
      overflow-y: auto;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-paper);
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
  private readonly session = inject(SessionStore);
  private readonly kinds = inject(KindsStore);
  private readonly designs = inject(DesignsStore);
  readonly showsPage = model(false);

  /** What was typed as the listing that it would be. */
  private readonly typed = computed((): Listing | null => {
    const content = this.content();
    if (!content) return null;
    const times = { createdAt: Date.now(), changedAt: Date.now(), publishedAt: null, binnedAt: null };
    const kept = this.listing() ?? { id: 0, kindId: this.kind().id, version: 0, address: content.slug, ...times };
    const linked = this.kind()
      .fields.filter(({ type }) => type === 'link')
      .map(({ key }) => [key, shownLinks(this.draft().values[key])] as const);
    const values = { ...content.values, ...this.computed(), ...Object.fromEntries(linked) };
    return { ...kept, ...content, values };
  });
  /** The card and the page, made as the site makes them. */
  protected readonly shown = computed(() => {
    const [listing, site] = [this.typed(), this.session.session()?.site];
    if (!listing || !site) return null;
    const kind = this.kind();
    const scene = { site, now: new Date(), kinds: [], ...this.scene() };
    const maker = new CardMaker(scene);
    const own = pagesFor('listing', kind.id, scene.designs);
    const linked = (): undefined => undefined;
    const design = pageServing(own, {
      listing,
      kind,
      context: scene.context,
      kindById: scene.kindById,
      linked,
      distance: '',
    });
    const card = { ...maker.card(listing, kind), href: null };
    const subject = { canonical: '', listing, kind, areas: [] };
    const page = pageOf(scene, design?.definition ?? standardListingPage(kind), subject);
    return { page, card, forms: maker.forms };
  });
  private readonly scene = computed(() => ({
    context: this.context(),
    kindById: this.kinds.byId,
    designs: this.designs.designs() ?? [],
  }));
  protected readonly page = computed(() => {
    const [kind, listing] = [this.kind(), this.listing()];
    const hasPage = isKindShown(kind) && kind.hasListingPages && listing?.status === 'live';
    return hasPage ? `/${kind.slug}/${listing.slug}` : null;
  });
  protected readonly missing = computed(() => {
    const [kind, values] = [this.kind(), this.typed()?.values ?? {}];
    const asked = kind.fields.filter((field) => isShown(field, values, kind, this.context()));
    const onCard = fieldsOnCard(kind, this.scene().designs);
    return missingFrom(this.draft(), { ...kind, fields: asked }, onCard);
  });
  protected readonly alike = signal<readonly Listing[]>([]);
  private readonly title = computed(() => foldText(this.draft().title.trim()));

  constructor() {
    const question = new PausedQuestion((title: string) => this.withTitle(title), {
      next: (alike) => this.alike.set(alike),
      // A hint that cannot be given is no reason to disturb.
      error: () => this.alike.set([]),
    });
    effect(() => question.ask(this.title()));
    if (this.designs.designs() === null) void this.designs.reload();
  }

  /** Some of the other listings of the kind that have a title. */
  private withTitle(title: string): Observable<readonly Listing[]> {
    if (title === '') return of([]);
    const isAlike = (other: Listing): boolean => other.id !== this.listing()?.id && foldText(other.title) === title;
    return this.api
      .listings(this.kind().id, { ...FIRST_ASK, text: title, offset: 0, limit: 50 })
      .pipe(map(({ listings }) => listings.filter(isAlike).slice(0, ALIKE_AT_MOST)));
  }
}

/** Linked listings as they would stand on the page; one that was chosen just now is taken to be on the site. */
function shownLinks(value: unknown): readonly LinkedListing[] {
  const list = Array.isArray(value) ? (value as readonly LinkedListing[]) : [];
  return list.map((linked) => (linked.slug === '' ? { ...linked, onSite: true } : linked));
}
