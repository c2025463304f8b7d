import type { ElementRef } from '@angular/core';
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
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, codeOf, issuesOf } from '@plindo/api';
import type { DeskChange } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import {
  ComputedValues,
  STATUSES,
  STATUS_LABELS,
  addressOfListing,
  isShown,
  presenceSentence,
  shownParts,
  readListing,
} from '@plindo/core/listings';
import type { Field, Kind } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, fieldByKey, hasPart } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { DeskEvents } from '../../shared/desk-events';
import { DeskPlace } from '../../shared/desk-place';
import { KindsStore } from '../../shared/kinds-store';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { UndoStack } from '../../shared/undo-stack';
import { FieldControl } from '../../shared/controls/field-control';
import { PictureControl } from '../../shared/controls/picture-control';
import type { Draft, WindowEnd } from './form-draft';
import { draftOf, inputOf, mergedDraft, newDraft } from './form-draft';
import { FormCompanion } from './form-companion';
import { HistoryPanel } from './history-panel';
import type { LeavingDraft } from './leaving-control';
import { LeavingControl } from './leaving-control';
import type { Step } from './neighbours';
import { Neighbours } from './neighbours';
import { UnsavedWork } from './unsaved-work';
import { WhereShown } from './where-shown';

const KEEPING_PAUSE_IN_MS = 400;
/** Where only the server has said that a listing is another one by now. */
const SOMEBODY: DeskChange = {
  ...{ type: 'change', who: 'Somebody', sentence: '', kinds: [], listings: null, structure: false },
};

interface Section {
  readonly key: string;
  readonly label: string;
  readonly folded: boolean;
  readonly fields: readonly Field[];
}

/** One listing in a form made from the fields of its kind. */
@Component({
  selector: 'pl-form-page',
  imports: [
    FieldControl,
    FormCompanion,
    HistoryPanel,
    Icon,
    LeavingControl,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    Neighbours,
    PictureControl,
    RouterLink,
    WhereShown,
  ],
  providers: [DeskPlace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './form-page.html',
  styleUrl: './form-page.scss',
  host: {
    '(document:keydown.control.s)': 'save($event)',
    '(document:keydown.meta.s)': 'save($event)',
    '[class.beside]': 'isBeside()',
  },
})
export class FormPage implements MayHoldWork {
  /** From the address; "new" for a listing that is being added. */
  readonly kindId = input.required<string>();
  readonly listingId = input.required<string>();
  /** From the address: its position in the table that it was opened from. */
  readonly at = input<string>();
  /** Whether it stands beside the table, which goes on to the next listing and shows what was saved. */
  readonly isBeside = input(false);
  readonly closed = output();
  readonly stepped = output<Step>();
  readonly saved = output<Listing>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly undoStack = inject(UndoStack);
  private readonly unsaved = inject(UnsavedWork);
  private readonly place = inject(DeskPlace);
  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  protected readonly reading = inject(Reading);
  protected readonly context = this.reading.context;
  protected readonly statuses = STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly bodyField = BUILT_IN_FIELDS.body;
  protected readonly placeField = BUILT_IN_FIELDS.place;
  /** The ends of the windows in which a listing is on the site and is featured. */
  protected readonly windowsOf = {
    site: windowOf('shownFrom', 'shownUntil'),
    featured: windowOf('featuredFrom', 'featuredUntil'),
  };
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly listing = signal<Listing | null>(null);
  protected readonly draft = signal<Draft | null>(null);
  /** Issues that are shown: of what was touched, and after a try to save all of them. */
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly changed = signal(false);
  protected readonly saving = signal(false);
  /** Whether what is shown was found in the browser, from before a reload. */
  protected readonly isRecovered = signal(false);
  protected readonly isNew = computed(() => this.listingId() === 'new');
  /** Whether the companion shows the whole page. */
  protected readonly showsPage = signal(false);
  protected readonly sections = computed(() => sectionsOf(this.kind(), (field) => this.isShown(field)));
  private readonly computedValues = computed(() => new ComputedValues(this.kind()?.fields ?? []));
  /** What was typed so far, read; the companion shows it. */
  protected readonly read = computed(() => {
    const [kind, draft] = [this.kind(), this.draft()];
    return kind && draft && readListing(inputOf(draft, kind, this.listing()), kind, this.context(), this.listing());
  });
  protected readonly computed = computed(() => this.computedValues().of(this.read()?.content.values ?? {}));
  protected readonly publishedAt = computed(() => this.listing()?.publishedAt ?? null);
  /** What follows the part of the kind in its address, where that is made of what is typed. */
  protected readonly address = computed(() => {
    const [kind, content] = [this.kind(), this.read()?.content];
    if (!kind?.addressPattern || !content) return '';
    return addressOfListing({ ...content, publishedAt: this.publishedAt() }, kind, this.context().zone);
  });
  /** Since when or until when visitors will see it, as it is typed. */
  protected readonly presence = computed(() => {
    const [kind, content] = [this.kind(), this.read()?.content];
    if (!kind || kind.expiry || !content) return '';
    const parts = shownParts({ ...content, publishedAt: this.publishedAt() }, kind, this.context().zone);
    return presenceSentence(parts, this.context());
  });
  /** What somebody else has changed of this listing since it was read; null for nothing. */
  protected readonly othersChange = signal<DeskChange | null>(null);
  protected readonly others = computed(() => this.place.others());
  private readonly touched = new Set<string>();
  private keeping: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    void this.store.reload();
    inject(DeskEvents)
      .changes.pipe(takeUntilDestroyed())
      .subscribe((change) => this.hear(change));
    inject(DestroyRef).onDestroy(() => this.place.stand(null));
    effect(() => {
      const id = this.listing()?.id ?? null;
      untracked(() => this.place.stand(id));
    });
    effect(() => {
      const [kind, id] = [this.kind(), this.listingId()];
      // Another version of the same kind comes with every reload of the kinds; it must not throw away what is typed.
      if (kind) untracked(() => this.load(kind, id));
    });
  }

  /** What was undone on another page may have changed this listing; what was typed since is kept. */
  private readonly showAnew = effect(() => {
    if (this.undoStack.revision() > 0 && !untracked(this.changed)) untracked(() => this.afterUndo());
  });

  /** Where nothing has been typed the listing is shown as it is by now; else they are asked. */
  private hear(change: DeskChange): void {
    const id = this.listing()?.id;
    if (id === undefined || !change.listings?.includes(id)) return;
    if (this.changed()) this.othersChange.set(change);
    else this.afterUndo();
  }

  /** Takes in what others have changed; what was typed here stays. */
  protected takeIn(): void {
    const [listing, mine] = [this.listing(), this.draft()];
    if (!listing || !mine) return;
    this.api.listing(listing.id).subscribe({
      next: (now) => {
        const { draft, clashes } = mergedDraft(mine, draftOf(listing), draftOf(now));
        this.listing.set(now);
        this.draft.set(draft);
        this.othersChange.set(null);
        this.issues.set([]);
        const labels = clashes.map((key) => this.labelOf(key));
        this.notices.said(
          labels.length > 0
            ? `You have both changed ${labels.join(', ')}; yours stands in the form.`
            : 'What was changed is in the form, beside what you have typed.',
        );
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private labelOf(key: string): string {
    const kind = this.kind();
    const field = kind && fieldByKey(kind, key);
    return field?.label ?? BUILT_IN_FIELDS[key as keyof typeof BUILT_IN_FIELDS]?.label ?? key;
  }

  protected has(part: Parameters<typeof hasPart>[1]): boolean {
    const kind = this.kind();
    return kind !== undefined && hasPart(kind, part);
  }

  private isShown(field: Field): boolean {
    const [kind, read] = [this.kind(), this.read()];
    return !kind || !read || isShown(field, read.content.values, kind, this.context());
  }

  protected set<Part extends keyof Draft>(part: Part, value: Draft[Part]): void {
    this.draft.update((draft) => draft && { ...draft, [part]: value });
    this.touch(part);
  }

  protected setLeaving({ expiry, shownUntil }: LeavingDraft): void {
    this.draft.update((draft) => draft && { ...draft, expiry, shownUntil });
    this.touch('shownUntil');
  }

  /** The ends of the window that have a control of their own. */
  protected siteEnds(kind: Kind): typeof this.windowsOf.site {
    return kind.expiry ? this.windowsOf.site.filter(({ name }) => name === 'shownFrom') : this.windowsOf.site;
  }

  protected setValue(key: string, value: unknown): void {
    this.draft.update((draft) => draft && { ...draft, values: { ...draft.values, [key]: value } });
    this.touch(key);
  }

  protected valueOf({ key, type }: Field): unknown {
    return type === 'computed' ? this.computed().values[key] : this.draft()?.values[key];
  }

  protected noteOf({ key }: Field): string {
    const aside = this.listing()?.aside[key];
    const isStillAside = aside && this.draft()?.values[key] === undefined;
    return isStillAside ? `Kept aside when the type was changed: “${aside.text}”` : (this.computed().errors[key] ?? '');
  }

  /** Checks what was touched at once, so that a message comes and goes while one types. */
  private touch(field: string): void {
    this.changed.set(true);
    this.touched.add(field);
    const isTold = ({ field: told = '' }: Issue): boolean => this.touched.has(told.split('.')[0] ?? '');
    this.issues.set((this.read()?.issues ?? []).filter(isTold));
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => this.keepUnsaved(), KEEPING_PAUSE_IN_MS);
  }

  private keepUnsaved(): void {
    const draft = this.draft();
    if (!draft || !this.changed()) return;
    this.unsaved.keep(this.kindId(), this.listingId(), { draft, version: this.listing()?.version ?? 0 });
  }

  protected problemOf(field: string): string {
    return this.issues().find((found) => found.field === field)?.message ?? '';
  }

  protected save(event: Event): void {
    event.preventDefault();
    const [kind, draft] = [this.kind(), this.draft()];
    if (!kind || !draft || this.saving()) return;
    const issues = this.read()?.issues ?? [];
    if (issues.length > 0) {
      this.refuse(issues);
      return;
    }
    this.saving.set(true);
    const listing = this.listing();
    const given = inputOf(draft, kind, listing);
    const sent = listing ? this.api.changeListing(listing, given) : this.api.addListing(kind.id, given);
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.saving.set(false);
        this.unsaved.forget(this.kindId(), this.listingId());
        this.keep(result, draftOf(result));
        this.notices.changed(`Saved ${result.title}`, changeId, () => this.afterUndo());
        this.saved.emit(result);
        if (!listing) void this.router.navigate(['/fill', kind.id, result.id], { replaceUrl: true });
      },
      error: (error: unknown) => {
        this.saving.set(false);
        if (codeOf(error) === 'change.conflict') this.othersChange.set(SOMEBODY);
        else this.refuse(issuesOf(error));
      },
    });
  }

  protected goTo(step: Step): void {
    this.keepUnsaved();
    if (this.isBeside()) this.stepped.emit(step);
    else void this.router.navigate(['/fill', this.kindId(), step.id], { queryParams: { at: step.at } });
  }

  close(): void {
    this.keepUnsaved();
    this.closed.emit();
  }

  /** Nothing is lost by leaving: what isn't saved is kept in the browser and found again. */
  mayLeave(): boolean {
    this.keepUnsaved();
    return true;
  }

  protected showRestored(listing: Listing): void {
    this.unsaved.forget(this.kindId(), this.listingId());
    this.keep(listing, draftOf(listing));
  }

  protected dropUnsaved(): void {
    this.unsaved.forget(this.kindId(), this.listingId());
    const [kind, listing] = [this.kind(), this.listing()];
    if (kind) this.keep(listing, listing ? draftOf(listing) : newDraft(kind));
  }

  private load(kind: Kind, id: string): void {
    if (this.draft() !== null && (id === 'new' ? this.listing() === null : this.listing()?.id === Number(id))) return;
    if (id === 'new') {
      this.recover(null, newDraft(kind));
      return;
    }
    this.api.listing(Number(id)).subscribe({
      next: (listing) => this.recover(listing, draftOf(listing)),
      error: (error: unknown) => this.refuse(issuesOf(error)),
    });
  }

  /** Shows a listing, or the work on it that was not saved. */
  private recover(listing: Listing | null, draft: Draft): void {
    const kept = this.unsaved.find(this.kindId(), this.listingId());
    this.keep(listing, draft);
    if (!kept) return;
    this.draft.set({ ...draft, ...kept.draft });
    this.changed.set(true);
    this.isRecovered.set(true);
  }

  private keep(listing: Listing | null, draft: Draft): void {
    clearTimeout(this.keeping);
    this.listing.set(listing);
    this.draft.set(draft);
    this.issues.set([]);
    this.touched.clear();
    this.changed.set(false);
    this.isRecovered.set(false);
    this.othersChange.set(null);
  }

  /** A listing whose adding was undone is gone; any other is shown as it was before. */
  private afterUndo(): void {
    const listing = this.listing();
    if (!listing) return;
    this.api.listing(listing.id).subscribe({
      next: (now) => this.keep(now, draftOf(now)),
      error: () => (this.isBeside() ? this.closed.emit() : void this.router.navigate(['/fill', this.kindId()])),
    });
  }

  private refuse(issues: readonly Issue[]): void {
    for (const { field } of issues) if (field) this.touched.add(field.split('.')[0] ?? '');
    this.issues.set(issues);
    setTimeout(() => this.summary()?.nativeElement.focus());
  }
}

/** The fields that are asked for, by section; the first part has those of no section. */
function sectionsOf(kind: Kind | undefined, isAsked: (field: Field) => boolean): Section[] {
  if (!kind) return [];
  const shown = kind.fields.filter(isAsked);
  const fieldsIn = (key: string): Field[] => shown.filter((field) => field.section === key);
  const named = kind.sections.map((section) => ({ ...section, fields: fieldsIn(section.key) }));
  return [{ key: '', label: '', folded: false, fields: fieldsIn('') }, ...named].filter(
    ({ fields }) => fields.length > 0,
  );
}

function windowOf(...ends: readonly WindowEnd[]): { readonly name: WindowEnd; readonly field: Field }[] {
  return ends.map((name) => ({ name, field: BUILT_IN_FIELDS[name] }));
}
