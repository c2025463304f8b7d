import { DOCUMENT } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { EditorApi, ListingSearch } from '@plindo/api/editor-api';
import { showDrafts, showsDrafts } from '@plindo/api/shown-drafts';
import type { DesignOfPage, FoundListing, MissedOnPage } from '@plindo/core/contract';
import type { PageModel } from '@plindo/core/page';
import type { Explanation } from '@plindo/core/query';
import { ExplanationView } from '@plindo/listing-view';
import { Pointing } from './pointing';

/** What an editor who looks at the public site gets beside it: the way to the Desk, and why a listing isn't on a list. */
@Component({
  selector: 'pl-editor-bar',
  imports: [ExplanationView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './editor-bar.html',
})
export class EditorBar {
  readonly model = input.required<PageModel>();
  /** The address of the page in its state. */
  readonly url = input.required<string>();
  /** Name of the look that is tried; undefined for none. */
  readonly tried = input<string>();
  readonly takenOff = output();
  /** Drafts are shown, or no more. */
  readonly draftsToggled = output();

  private readonly api = inject(EditorApi);
  protected readonly search = new ListingSearch(this.api);
  /** How many drafts there are; 0 as long as it isn't known. */
  protected readonly drafts = signal(0);
  protected readonly showsDrafts = signal(showsDrafts());
  protected readonly isOpen = signal(false);
  protected readonly asked = signal<FoundListing | null>(null);
  protected readonly answer = signal<Explanation | null>(null);
  protected readonly missed = signal<readonly MissedOnPage[] | null>(null);
  protected readonly fault = signal('');
  /** The listing whose page it is. */
  protected readonly listing = computed(() => {
    const model = this.model();
    return model.type === 'designed' ? model.listing : null;
  });
  protected readonly isDesigned = computed(() => this.model().type === 'designed');
  /** Whether it has a list of which can be told why something isn't in it. */
  protected readonly hasList = computed(() => {
    const model = this.model();
    return model.type === 'designed' && model.areas.length > 0;
  });
  /** Which page serves it, in a sentence. */
  protected readonly serving = signal('');

  /** Where the designer is of the page that is to be changed; '' until that is asked. */
  protected readonly designer = signal('');
  private readonly document = inject(DOCUMENT);
  private pointing: Pointing | null = null;

  constructor() {
    // Whoever may not see any is asked for nothing.
    this.api.drafts().subscribe({ next: (drafts) => this.drafts.set(drafts.length), error: () => this.drafts.set(0) });
    inject(DestroyRef).onDestroy(() => this.endPointing());
    effect(() => {
      this.url();
      // An answer is one about the page in its state.
      this.asked.set(null);
      this.answer.set(null);
      this.missed.set(null);
      this.fault.set('');
      this.serving.set('');
      this.endPointing();
    });
  }

  protected toggleDrafts(): void {
    showDrafts(!this.showsDrafts());
    this.showsDrafts.set(!this.showsDrafts());
    this.draftsToggled.emit();
  }

  protected ask(listing: FoundListing): void {
    this.search.clear();
    this.asked.set(listing);
    this.answer.set(null);
    this.fault.set('');
    this.api.explain(this.url(), listing.id).subscribe({
      next: (explanation) => this.answer.set(explanation),
      error: () => this.fault.set(REFUSED),
    });
  }

  protected showMissed(): void {
    this.fault.set('');
    this.api.missed(this.url()).subscribe({
      next: (missed) => this.missed.set(missed.filter(({ total }) => total > 0)),
      error: () => this.fault.set(REFUSED),
    });
  }

  protected askServing(listingId: number): void {
    this.api.serving(listingId).subscribe({
      next: ({ name, when }) => {
        const asks = when?.of.length ?? 0;
        const why = asks === 0 ? 'no other page asks for anything that it has' : `all that it asks for holds (${asks})`;
        this.serving.set(`“${name}”, because ${why}.`);
      },
      error: () => this.serving.set(REFUSED),
    });
  }

  /** Asks which design made the page; then what is to be changed can be pointed at. */
  protected changePage(): void {
    this.api.design(this.url()).subscribe({
      next: (design) => {
        this.endPointing();
        const address = designerOf(design);
        this.designer.set(address);
        const model = this.model();
        if (model.type === 'designed')
          this.pointing = new Pointing(this.document, model, (key) => this.pointed(address, key));
      },
      error: () => this.fault.set(REFUSED),
    });
  }

  private pointed(address: string, key: string | null): void {
    this.endPointing();
    if (key !== null) this.document.location.assign(`${address}&part=${encodeURIComponent(key)}`);
  }

  protected endPointing(): void {
    this.pointing?.end();
    this.pointing = null;
    this.designer.set('');
  }

  protected editHref({ id, kindId }: Pick<FoundListing, 'id' | 'kindId'>): string {
    return `/desk/fill/${kindId}/${id}`;
  }
}

/** Where the designer of a page is in the Desk, with what it was shown with. */
function designerOf({ id, serves, kindId, selection, listingId, category }: DesignOfPage): string {
  const parts = new URLSearchParams({
    ...(id === null && { serves, ...(kindId !== null && { kind: String(kindId) }) }),
    ...(id === null && selection !== 0 && { selection: String(selection) }),
    ...(listingId !== null && { listing: String(listingId) }),
    ...(category !== null && { category }),
  });
  return `/desk/arrange/pages/${id ?? 'new'}?${parts}`;
}

const REFUSED = 'The server gave no answer. You may have been signed out: sign in to the Desk, then try again.';
