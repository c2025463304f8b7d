import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, SessionStore, issuesOf } from '@plindo/api';
import type { Listing, ListingInput } from '@plindo/core/listings';
import { STATUSES, STATUS_LABELS, readListing } from '@plindo/core/listings';
import { readContext } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import type { MayHoldWork } from '../shared/may-hold-work';
import { KindsStore } from '../shared/kinds-store';
import { Notices } from '../shared/notices';
import { FieldControl } from './field-control';
import { PictureControl } from './picture-control';

/** What stands in the form: everything as it was kept, or as it has been typed since. */
interface Draft {
  readonly title: string;
  readonly summary: string;
  readonly slug: string;
  readonly picture: Listing['picture'];
  readonly status: Listing['status'];
  readonly featured: boolean;
  readonly handOrder: string;
  readonly values: Readonly<Record<string, unknown>>;
}

const BLANK: Draft = {
  title: '',
  summary: '',
  slug: '',
  picture: null,
  status: 'live',
  featured: false,
  handOrder: '',
  values: {},
};

/** One listing in a form made from the fields of its kind. */
@Component({
  selector: 'pl-form-page',
  imports: [
    FieldControl,
    Icon,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    PictureControl,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './form-page.html',
  styleUrl: './form-page.scss',
  host: {
    '(window:beforeunload)': 'warn($event)',
    '(document:keydown.control.s)': 'save($event)',
    '(document:keydown.meta.s)': 'save($event)',
  },
})
export class FormPage implements MayHoldWork {
  /** From the address; "new" for a listing that is being added. */
  readonly kindId = input.required<string>();
  readonly listingId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly session = inject(SessionStore);
  private readonly store = inject(KindsStore);
  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly listing = signal<Listing | null>(null);
  protected readonly draft = signal<Draft>(BLANK);
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly changed = signal(false);
  protected readonly saving = signal(false);
  protected readonly isNew = computed(() => this.listingId() === 'new');

  constructor() {
    void this.store.reload();
    effect(() => {
      const id = this.listingId();
      untracked(() => this.load(id));
    });
  }

  protected set<Part extends keyof Draft>(part: Part, value: Draft[Part]): void {
    this.draft.update((draft) => ({ ...draft, [part]: value }));
    this.touch(part);
  }

  protected setValue(key: string, value: unknown): void {
    this.draft.update((draft) => ({ ...draft, values: { ...draft.values, [key]: value } }));
    this.touch(key);
  }

  /** Once something was refused, each change is checked at once, so that the message goes when it is mended. */
  private touch(field: string): void {
    this.changed.set(true);
    if (this.issues().length === 0) return;
    const still = this.check().filter(
      (found) => this.issues().some((told) => told.field === found.field) || found.field === field,
    );
    this.issues.set(still);
  }

  protected problemOf(field: string): string {
    return this.issues().find((found) => found.field === field)?.message ?? '';
  }

  protected save(event: Event): void {
    event.preventDefault();
    const kind = this.kind();
    if (!kind || this.saving()) return;
    const issues = this.check();
    if (issues.length > 0) {
      this.refuse(issues);
      return;
    }
    this.saving.set(true);
    const listing = this.listing();
    const sent = listing ? this.api.changeListing(listing, this.input()) : this.api.addListing(kind.id, this.input());
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.saving.set(false);
        this.keep(result);
        this.notices.changed(`Saved ${result.title}`, changeId, () => this.afterUndo());
        if (!listing) void this.router.navigate(['/fill', kind.id, result.id], { replaceUrl: true });
      },
      error: (error: unknown) => {
        this.saving.set(false);
        this.refuse(issuesOf(error));
      },
    });
  }

  mayLeave(): boolean {
    return !this.changed() || confirm('Leave without saving?');
  }

  protected warn(event: BeforeUnloadEvent): void {
    if (this.changed()) event.preventDefault();
  }

  private load(id: string): void {
    if (id === 'new') {
      this.keepDraft(null, BLANK);
      return;
    }
    this.api.listing(Number(id)).subscribe({
      next: (listing) => this.keep(listing),
      error: (error: unknown) => this.refuse(issuesOf(error)),
    });
  }

  private keep(listing: Listing): void {
    const { title, summary, slug, picture, status, featured, handOrder, values } = listing;
    this.keepDraft(listing, {
      title,
      summary,
      slug,
      picture,
      status,
      featured,
      values,
      handOrder: handOrder === null ? '' : String(handOrder),
    });
  }

  private keepDraft(listing: Listing | null, draft: Draft): void {
    this.listing.set(listing);
    this.draft.set(draft);
    this.issues.set([]);
    this.changed.set(false);
  }

  /** A listing whose adding was undone is gone; any other is shown as it was before. */
  private afterUndo(): void {
    const listing = this.listing();
    if (!listing) return;
    this.api.listing(listing.id).subscribe({
      next: (now) => this.keep(now),
      error: () => void this.router.navigate(['/fill', this.kindId()]),
    });
  }

  private check(): readonly Issue[] {
    const kind = this.kind();
    if (!kind) return [];
    const locale = this.session.session()?.site.locale ?? 'en';
    return readListing(this.input(), kind, readContext(locale)).issues;
  }

  /** Everything in the form; every field is named, so that an emptied one is emptied. */
  private input(): ListingInput {
    const { values, slug, ...parts } = this.draft();
    const all = Object.fromEntries((this.kind()?.fields ?? []).map(({ key }) => [key, values[key] ?? null]));
    return { ...parts, ...(slug.trim() !== '' && { slug: slug.trim() }), values: all };
  }

  private refuse(issues: readonly Issue[]): void {
    this.issues.set(issues);
    setTimeout(() => this.summary()?.nativeElement.focus());
  }
}
