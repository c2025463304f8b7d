import { DOCUMENT } from '@angular/common';
import type { WritableSignal } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  RESPONSE_INIT,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import type { ResolveFn } from '@angular/router';
import { Router } from '@angular/router';
import { isMarkedSignedIn } from '@plindo/api/signed-in-mark';
import { showsDrafts } from '@plindo/api/shown-drafts';
import type { TriedLook } from '@plindo/api/tried-look';
import { takeLookOff, triedLook } from '@plindo/api/tried-look';
import type { PageLink, PageModel, SuggestionModel } from '@plindo/core/page';
import { chosenAt, shortlistAddress } from '@plindo/core/page';
import type { KeptChange, StateChange, TypedWords } from '@plindo/listing-view';
import {
  DesignedPageView,
  KeepButtons,
  MAKE_WORDS,
  SentPageView,
  SiteFooter,
  SiteHeader,
  VisitorLists,
} from '@plindo/listing-view';
import { EditorBar } from './editor/editor-bar';
import { PageHead } from './page-head';
import { SITE_DATA } from './site-data';

/** The model of the page that an address leads to. */
export const resolvePage: ResolveFn<PageModel> = (_route, { url }) => inject(SITE_DATA).page(url.split('#')[0] ?? '/');

/** Shows whatever page the address leads to; the same component stays while only the state of a page changes. */
@Component({
  selector: 'pl-page-host',
  imports: [DesignedPageView, EditorBar, KeepButtons, SentPageView, SiteFooter, SiteHeader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a class="skip" href="#content" (click)="skip($event)">{{ words().say('page.skip') }}</a>
    @let page = model();
    <pl-site-header role="banner" [frame]="page" />
    <main id="content" tabindex="-1" plKeepButtons (keptChange)="tellKept($event)">
      @switch (page.type) {
        @case ('designed') {
          <pl-designed-page
            [model]="page"
            [suggestions]="suggestions()"
            [places]="places()"
            (stateChange)="go($event)"
            (typed)="suggest($event)"
            (placeTyped)="findPlaces($event)"
          />
        }
        @case ('sent') {
          <pl-sent-page [model]="page" />
        }
        @case ('not-found') {
          <h1>{{ words().say('page.gone') }}</h1>
          <p>{{ words().say('page.gone.why') }}</p>
          @if (near().length) {
            <h2>{{ words().say('page.gone.near') }}</h2>
            <ul>
              @for (link of near(); track link.href) {
                <li>
                  <a [href]="link.href">{{ link.label }}</a>
                </li>
              }
            </ul>
          }
          @if (page.search; as search) {
            <form class="gone" role="search" method="get" [action]="search.href">
              <input
                type="search"
                name="q"
                maxlength="200"
                [attr.aria-label]="search.label"
                [placeholder]="search.label"
              />
              <button type="submit">{{ words().say('search.go') }}</button>
            </form>
          }
          <p>
            <a href="/">{{ words().say('page.gone.home') }}</a>
          </p>
        }
      }
    </main>
    <p class="hidden-text" aria-live="polite">{{ told() }}</p>
    @if (page.footer; as footer) {
      <pl-site-footer role="contentinfo" [footer]="footer" />
    }
    @if (isEditor()) {
      @defer {
        <pl-editor-bar
          [model]="page"
          [url]="url()"
          [tried]="tried()?.name"
          (takenOff)="takeOff()"
          (draftsToggled)="showOwn(true)"
        />
      }
    }
  `,
})
export class PageHost {
  /** Given by the router. */
  readonly model = input.required<PageModel>();

  private readonly wordsOf = inject(MAKE_WORDS);
  protected readonly words = computed(() => this.wordsOf(this.model().words));
  protected readonly suggestions = signal<readonly SuggestionModel[]>([]);
  protected readonly places = signal<readonly string[]>([]);
  /** Of a page that is not there: what may have been meant. */
  protected readonly near = signal<readonly PageLink[]>([]);
  /** Whether somebody has signed in with this browser, which is known in the browser only. */
  protected readonly isEditor = signal(false);
  protected readonly url = signal('/');
  /** The look that an editor tries. */
  protected readonly tried = signal<TriedLook | null>(null);
  /** What has just been kept, for those who hear the page. */
  protected readonly told = signal('');
  private readonly lists = inject(VisitorLists);
  /** What was asked for last, by what shows it. */
  private readonly hinting = new Map<unknown, unknown>();
  private readonly data = inject(SITE_DATA);
  private readonly head = inject(PageHead);
  private readonly router = inject(Router);
  private readonly document = inject(DOCUMENT);
  /** The shortlist of this browser as the page of it showed it last. */
  private shownOwn: readonly number[] = [];

  constructor() {
    const response = inject(RESPONSE_INIT, { optional: true });
    afterNextRender(() => {
      this.isEditor.set(isMarkedSignedIn());
      if (this.isEditor()) this.tried.set(triedLook());
      this.showOwn();
      this.lists.begin();
    });
    effect(() => {
      const model = this.model();
      this.url.set(this.router.url);
      this.head.tell(model, this.tried());
      this.near.set([]);
      if (model.type === 'not-found') this.hints(this.near, this.data.near(this.router.url));
      const gone = model.type === 'not-found' ? 404 : model.type === 'sent' || model.over === '' ? null : 410;
      if (response && gone) response.status = gone;
    });
    effect(() => this.followShortlist(this.model()));
  }

  /** The page comes as visitors see it; who has signed in may see more, which the server tells by itself. */
  protected showOwn(isToldTo = false): void {
    const model = this.model();
    const isOther = showsDrafts() || (model.type === 'designed' && model.dependsOnViewer);
    if (!this.isEditor() || !(isOther || isToldTo)) return;
    void this.router.navigateByUrl(this.router.url, {
      onSameUrlNavigation: 'reload',
      replaceUrl: true,
      scroll: 'manual',
    });
  }

  /** What visitors look at counts as seen; the page of the shortlist shows their own as long as nobody handed them another. */
  private followShortlist(model: PageModel): void {
    if (model.type !== 'designed' || !this.lists.isKnown()) return;
    const { listing } = model;
    if (listing) untracked(() => this.lists.see(listing.id));
    const own = this.lists.shortlist();
    if (model.serves !== 'shortlist') return;
    const { shortlist, compared } = chosenAt(model.canonical.split('?')[1] ?? '');
    const isOwn = shortlist.length === 0 || shortlist.join() === this.shownOwn.join();
    this.shownOwn = own;
    if (!isOwn || shortlist.join() === own.join()) return;
    const url = shortlistAddress({ shortlist: own, compared: compared.filter((id) => own.includes(id)) });
    void this.router.navigateByUrl(url, { replaceUrl: true, scroll: 'manual' });
  }

  protected tellKept({ title, isKept }: KeptChange): void {
    this.told.set(this.words().say(isKept ? 'keep.kept' : 'keep.dropped', { title }));
  }

  /** Follows a state of the page; one that only shows more stays where it is. */
  protected go({ url, replace, stays = false }: StateChange): void {
    // More of the present list is of no use to a visitor who has just chosen something else.
    if (stays && this.router.currentNavigation()) return;
    this.suggestions.set([]);
    this.hinting.clear();
    void this.router.navigateByUrl(url, { replaceUrl: replace, scroll: stays ? 'manual' : 'after-transition' });
  }

  protected suggest({ area, text }: TypedWords): void {
    const [path = '/'] = this.model().canonical.split('?');
    this.hints(this.suggestions, this.data.suggestions(path, area, text));
  }

  protected findPlaces(text: string): void {
    this.hints(this.places, this.data.places(text));
  }

  /** Shows hints when they come, unless others were asked for since. */
  private hints<Hint>(shown: WritableSignal<readonly Hint[]>, asked: Promise<readonly Hint[]>): void {
    this.hinting.set(shown, asked);
    const show = (found: readonly Hint[]): void => {
      if (this.hinting.get(shown) === asked) shown.set(found);
    };
    // A hint that cannot be given is no reason to disturb.
    asked.then(show, () => show([]));
  }

  protected takeOff(): void {
    takeLookOff();
    this.tried.set(null);
  }

  protected skip(event: Event): void {
    event.preventDefault();
    this.document.getElementById('content')?.focus();
  }
}
