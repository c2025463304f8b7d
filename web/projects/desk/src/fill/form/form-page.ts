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
import { inputOf } from './form-draft';
import { FormCompanion } from './form-companion';
import { HistoryPanel } from './history-panel';
import type { LeavingDraft } from './leaving-control';
import { LeavingControl } from './leaving-control';
import { ListingWork } from './listing-work';
import type { Step } from './neighbours';
import { Neighbours } from './neighbours';
import { WhereShown } from './where-shown';

/** Stands for whoever changed the listing when only the refusal of the server tells of it. */
const SOMEBODY: DeskChange = {
  ...{ type: 'change', who: 'Somebody', sentence: '', kinds: [], listings: null, structure: false, submissions: false },
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
  providers: [DeskPlace, ListingWork],
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
  protected readonly work = inject(ListingWork);
  protected readonly listing = this.work.listing.asReadonly();
  protected readonly draft = this.work.draft.asReadonly();
  protected readonly issues = this.work.issues.asReadonly();
  protected readonly saving = signal(false);
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
  protected readonly others = this.place.others.asReadonly();

  constructor() {
    void this.store.reload();
    this.work.labelOf = (key) => this.labelOf(key);
    inject(DeskEvents)
      .all.pipe(takeUntilDestroyed())
      .subscribe((change) => this.hear(change));
    inject(DestroyRef).onDestroy(() => this.place.stand(null));
    effect(() => {
      const id = this.listing()?.id ?? null;
      untracked(() => this.place.stand(id));
    });
    effect(() => {
      const [kind, id] = [this.kind(), this.listingId()];
      if (kind) untracked(() => this.work.open(kind, id));
    });
  }

  /** What was undone on another page may have changed this listing; what was typed since is kept. */
  private readonly showAnew = effect(() => {
    if (this.undoStack.revision() > 0) untracked(() => this.afterUndo());
  });

  private hear(change: DeskChange): void {
    const { id, kindId } = this.listing() ?? {};
    if (id === undefined || kindId === undefined || this.saving()) return;
    // Of very many listings only their kind is told.
    const mayBeIt = change.listings?.includes(id) ?? change.kinds.includes(kindId);
    if (mayBeIt) this.work.hear(change, () => this.leave());
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
    this.type({ [part]: value }, part);
  }

  protected setLeaving({ expiry, shownUntil }: LeavingDraft): void {
    this.type({ expiry, shownUntil }, 'shownUntil');
  }

  /** The ends of the window that have a control of their own. */
  protected siteEnds(kind: Kind): typeof this.windowsOf.site {
    return kind.expiry ? this.windowsOf.site.filter(({ name }) => name === 'shownFrom') : this.windowsOf.site;
  }

  protected setValue(key: string, value: unknown): void {
    this.type({ values: { ...this.draft()?.values, [key]: value } }, key);
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
  private type(parts: Partial<Draft>, touched: string): void {
    const draft = this.draft();
    if (draft) this.work.type({ ...draft, ...parts }, touched, () => this.read()?.issues ?? []);
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
        const isShown = this.work.saved(listing, draft, result);
        this.notices.changed(`Saved ${result.title}`, changeId, () => this.afterUndo());
        this.saved.emit(result);
        if (!listing && isShown) void this.router.navigate(['/fill', kind.id, result.id], { replaceUrl: true });
      },
      error: (error: unknown) => {
        this.saving.set(false);
        if (codeOf(error) === 'change.conflict') this.work.othersChange.set(SOMEBODY);
        else this.refuse(issuesOf(error));
      },
    });
  }

  protected goTo(step: Step): void {
    this.work.keepUnsaved();
    if (this.isBeside()) this.stepped.emit(step);
    else void this.router.navigate(['/fill', this.kindId(), step.id], { queryParams: { at: step.at } });
  }

  close(): void {
    this.work.keepUnsaved();
    this.closed.emit();
  }

  /** Nothing is lost by leaving: what isn't saved is kept in the browser and found again. */
  mayLeave(): boolean {
    this.work.keepUnsaved();
    return true;
  }

  private afterUndo(): void {
    this.work.takeIn(() => this.leave());
  }

  /** A listing whose adding was undone is gone. */
  private leave(): void {
    if (this.isBeside()) this.closed.emit();
    else void this.router.navigate(['/fill', this.kindId()]);
  }

  private refuse(issues: readonly Issue[]): void {
    this.work.refuse(issues);
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
