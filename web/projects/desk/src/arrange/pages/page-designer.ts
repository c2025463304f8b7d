import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { DesignsApi, SessionStore, sentenceOf } from '@plindo/api';
import type { DraftedPage } from '@plindo/api';
import type { DesignSample, DesignVersion, FoundListing } from '@plindo/core/contract';
import type { KeptPage, PageDesign, PageItem, PiecePlace, PieceTypeName } from '@plindo/core/design';
import {
  AWKWARD_WORDS,
  PAGE_PURPOSES,
  PAGE_STARTERS,
  lackingFor,
  pageCast,
  pageStartersFor,
  pieceName,
  stripName,
} from '@plindo/core/design';
import type { DesignedPage } from '@plindo/core/page';
import { Icon } from '@plindo/listing-view';
import { EMPTY, catchError, filter, switchMap } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { SelectionsStore } from '../../shared/selections-store';
import type { SendDesign } from '../design/design-session';
import { DesignSession } from '../design/design-session';
import { DesignerFrame } from '../design/designer-frame';
import { LiveView } from '../../shared/live-view';
import { VersionsMenu } from '../design/versions-menu';
import type { CastFor } from '../design/starter-cast';
import { askCast } from '../design/starter-cast';
import { StarterFiles } from '../design/starter-files';
import type { StarterOffer } from '../design/starter-menu';
import { StarterMenu, lacksInWords } from '../design/starter-menu';
import { wearSiteCss } from '../design/own-sheet';
import { HoldsFor } from './holds-for';
import { LivePage } from './live-page';
import type { WantedPage } from './new-page';
import { firstPage, keptPageFor } from './new-page';
import { PageOutline } from './page-outline';
import { PageSettings } from './page-settings';
import { surroundingsOf } from './page-surroundings';
import { PageWork } from './page-work';
import type { PickedFor } from './piece-picker';
import { PiecePicker } from './piece-picker';
import { PieceSettingsPane } from './piece-settings';
import { StripSettings } from './strip-settings';

/** In the address: a page that is still to be made. */
const NEW = 'new';

/** The page designer: all of a page as a tree, the page itself in the site's own data, and what is said of what is chosen. */
@Component({
  selector: 'pl-page-designer',
  imports: [
    DesignerFrame,
    Icon,
    LivePage,
    LiveView,
    MatButtonModule,
    PageOutline,
    PageSettings,
    PieceSettingsPane,
    StarterMenu,
    StripSettings,
    VersionsMenu,
  ],
  providers: [DesignSession, HoldsFor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './page-designer.html',
  styleUrls: ['../design/outline-button.scss', './page-designer.scss'],
})
export class PageDesigner {
  /** From the address: the page's number, or "new"; of a new one what it is for, of which kind or selection. */
  readonly pageId = input.required<string>();
  readonly serves = input<string>();
  readonly kind = input<string>();
  readonly selection = input<string>();
  /** From the address: the part of the page to begin with, and the listing or category to show it with. */
  readonly part = input<string>();
  readonly listing = input<string>();
  readonly category = input<string>();

  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly dialog = inject(MatDialog);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly files = inject(StarterFiles);
  private readonly reading = inject(Reading);
  private readonly router = inject(Router);
  private readonly selections = inject(SelectionsStore);
  private readonly who = inject(SessionStore);

  protected readonly session = inject(DesignSession);
  protected readonly holdsFor = inject(HoldsFor);
  protected readonly work = signal<PageWork | null>(null);
  protected readonly model = signal<DesignedPage | null>(null);
  /** Why the page can't be shown; '' when it can. */
  protected readonly refusal = signal('');
  protected readonly isTried = signal(false);
  protected readonly samples = signal<readonly DesignSample[] | null>(null);
  /** The listing and the category that the page is shown with, and the state of its lists. */
  protected readonly listingId = signal<number | null>(null);
  protected readonly categoryKey = signal<string | null>(null);
  private readonly search = signal('');
  protected readonly awkward = AWKWARD_WORDS;

  /** The page as it is kept; undefined for one that is still to be added. */
  protected readonly kept = computed((): KeptPage | undefined => {
    const found = (this.designs.designs() ?? []).find(({ id }) => String(id) === this.pageId());
    return found?.type === 'page' ? found : undefined;
  });
  /** Its draft; of one that is still to be added, what was kept of it so far. */
  private readonly draft = computed((): KeptPage | undefined => {
    const found = this.designs.draftOf(this.kept()?.id ?? null, this.pageId());
    return found?.type === 'page' ? found : undefined;
  });
  protected readonly shownKeys = computed(() => {
    const strips = this.model()?.strips;
    return strips
      ? new Set(strips.flatMap(({ columns }) => columns.flatMap((one) => one.pieces.map(({ key }) => key))))
      : null;
  });
  protected readonly categories = computed(() => {
    const work = this.work();
    if (work?.page().serves !== 'category') return [];
    const fields = work.around.kind?.fields.filter(({ type }) => type === 'categories') ?? [];
    return fields.flatMap(({ settings }) => settings.choices ?? []);
  });
  /** What the preview is asked for with; null until all of it is known. */
  private readonly question = computed((): DraftedPage | null => {
    const work = this.work();
    if (!work) return null;
    const { serves } = work.page();
    const { kind } = work.around;
    const isOfListing = serves === 'listing' || (serves === 'part' && kind !== null);
    const [listing, category] = [this.listingId(), this.categoryKey()];
    if ((isOfListing && listing === null) || (serves === 'category' && category === null)) return null;
    return {
      ...{ kindId: kind?.id ?? null, definition: work.page(), search: this.search() },
      ...(listing !== null && { listingId: listing }),
      ...(category !== null && { category }),
    };
  });

  constructor() {
    void this.kinds.reload();
    void this.designs.reloadAll();
    wearSiteCss();
    void this.selections.reload();
    effect(() => {
      const isRead = this.kinds.kinds() && this.designs.drafts() && this.selections.selections();
      this.pageId();
      this.wanted();
      if (isRead) untracked(() => this.begin());
    });
    effect(() => {
      const work = this.work();
      if (work) this.session.remember(work.history);
    });
    effect(() => {
      const work = this.work();
      const item = work?.item();
      const where =
        item?.of === 'strip' ? item.strip.showWhen : item?.of === 'piece' ? item.piece.showWhen : work?.page().when;
      untracked(() => this.holdsFor.ask(work?.listingKind ?? null, where ?? null));
    });
    toObservable(this.question)
      .pipe(
        filter((question) => question !== null),
        switchMap((question) => this.api.preview(question).pipe(catchError((error: unknown) => this.refuse(error)))),
        takeUntilDestroyed(),
      )
      .subscribe((model) => {
        this.refusal.set('');
        this.model.set(model);
      });
  }

  private readonly wanted = computed((): WantedPage => {
    const there = this.kept() ?? this.draft();
    const serves = there?.definition.serves ?? PAGE_PURPOSES.find((one) => one === this.serves()) ?? 'free';
    const kindId = there ? there.kindId : this.kind() === undefined ? null : Number(this.kind());
    const selectionId = there?.definition.selection ?? Number(this.selection() ?? 0);
    const selection = this.selections.selections()?.find((one) => one.selection.id === selectionId)?.selection ?? null;
    return { serves, kind: kindId === null ? null : (this.kinds.byId(kindId) ?? null), selection };
  });

  /** Begins with the page as it is kept, or with work on it that was not saved; work at hand is not thrown away. */
  private begin(): void {
    const [kept, draft, before] = [this.kept(), this.draft(), this.work()];
    if (!kept && !draft && this.pageId() !== NEW) return;
    if (before?.history.isChanged() === true) return;
    const wanted = this.wanted();
    const there =
      kept ?? draft ?? keptPageFor(wanted, [...(this.designs.designs() ?? []), ...this.designs.draftDesigns()]);
    // There is one home page, and one page of a list.
    if (there && !kept && !draft) return void this.router.navigate(['/arrange/pages', there.id], { replaceUrl: true });
    const { serves, kind, selection } = wanted;
    const name = kept || draft ? `page-${this.pageId()}` : `new-${serves}-${kind?.id ?? ''}-${selection?.id ?? ''}`;
    const begun = this.session.begin({ kept, draft, name }, this.unkept(wanted));
    const around = surroundingsOf(wanted.kind, this.pageId(), {
      kinds: (this.kinds.kinds() ?? []).map((entry) => entry.kind),
      selections: (this.selections.selections() ?? []).map(({ selection }) => selection),
      designs: this.designs.designs() ?? [],
      context: this.reading.context(),
    });
    const work = new PageWork(around, begun.work, begun.kept);
    work.choose(before?.chosen() ?? this.part() ?? null);
    this.work.set(work);
    this.categoryKey.set(this.category() ?? this.categories()[0]?.key ?? null);
    if (this.listing() !== undefined) this.listingId.set(Number(this.listing()));
    if (work.listingKind && this.samples() === null) this.findSamples(work.listingKind.id);
  }

  /** Pages to begin with, those first that fit the kind; for pages of listings and of lists of a kind. */
  protected readonly starters = computed((): StarterOffer[] => {
    const work = this.work();
    const kind = work?.around.kind;
    const serves = work?.page().serves;
    if (!kind || (serves !== 'listing' && serves !== 'index')) return [];
    return pageStartersFor(kind, serves).map((starter) => ({
      ...starter,
      lacks: lacksInWords(lackingFor(starter, kind)),
    }));
  });

  protected beginWith(name: string): void {
    const [starter, kind] = [PAGE_STARTERS.find((one) => one.name === name), this.work()?.around.kind];
    if (!starter || !kind) return;
    const data: CastFor = { ...starter, kind, cast: pageCast(starter, kind) };
    askCast(this.dialog, data, (cast) => this.work()?.begin(starter, cast));
  }

  protected beginFromFile(chosen: File): void {
    const work = this.work();
    const kind = work?.around.kind;
    if (!work || !kind) return;
    void this.files.begin(chosen, kind, (file, cast) => {
      const fits = file.type === 'page' && file.definition.serves === work.page().serves;
      if (fits) work.beginWithFile(file, cast);
      else
        this.notices.said(`${chosen.name} holds no page like this one. Open the designer of what it was saved from.`);
    });
  }

  protected saveAsFile(): void {
    const file = this.work()?.asFile();
    if (file) this.files.save(file);
  }

  private unkept(wanted: WantedPage): PageDesign {
    const site = this.who.session()?.site ?? { name: '', tagline: '' };
    const kinds = (this.kinds.kinds() ?? []).map((entry) => entry.kind);
    const { words } = this.reading.context().formats;
    return firstPage(wanted, { site, kinds, designs: this.designs.designs() ?? [], words });
  }

  /** Brings an earlier state in; nothing is kept until it is saved. */
  protected goBack({ definition, at }: DesignVersion): void {
    const moment = this.reading.context().formats.moment(Date.parse(at));
    this.work()?.history.replace(definition as PageDesign, `Went back to the version of ${moment}`);
  }

  protected startOver(): void {
    this.session.forget();
    this.work.set(null);
    this.begin();
  }

  private findSamples(kindId: number): void {
    this.api.samples(kindId).subscribe({
      next: ({ samples }) => {
        this.samples.set(samples);
        const first = samples.find(({ why }) => why.length === 0) ?? samples[0];
        if (this.listingId() === null && first) this.listingId.set(first.listing.id);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected pick(found: FoundListing): void {
    this.api.sample(found.id).subscribe({
      next: ({ samples }) => {
        const others = (this.samples() ?? []).filter(({ listing }) => listing.id !== found.id);
        this.samples.set([...samples, ...others]);
        this.listingId.set(found.id);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  /** Goes on to the next of the listings that it is tried with, or back to the one before. */
  protected walk(by: 1 | -1): void {
    const ids = (this.samples() ?? []).map(({ listing }) => listing.id);
    const at = ids.indexOf(this.listingId() ?? 0);
    this.listingId.set(ids[(at + by + ids.length) % ids.length] ?? null);
  }

  protected add(place: PiecePlace): void {
    const [work, question] = [this.work(), this.question()];
    if (!work) return;
    const { definition: page, ...shownWith } = question ?? {
      kindId: work.around.kind?.id ?? null,
      definition: work.page(),
    };
    const data: PickedFor = { choices: work.choices(), page, shownWith };
    this.dialog
      .open<PiecePicker, PickedFor, PieceTypeName>(PiecePicker, { data, width: '64rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((type) => {
        if (type) work.add(type, place);
      });
  }

  protected tryState(url: string): void {
    this.search.set(url.split('?')[1] ?? '');
  }

  protected throwDraftAway(): void {
    this.session.throwDraftAway(() => {
      if (this.kept()) this.startOver();
      else void this.router.navigate(['/arrange/pages']);
    });
  }

  protected send(how: SendDesign): void {
    const work = this.work();
    if (!work) return;
    const definition = work.page();
    this.session[how]({ type: 'page', kindId: work.around.kind?.id ?? null, definition }, ({ id }) => {
      work.history.keep(definition);
      // It stays at the page that was saved, under its own address.
      if (!this.kept() && this.pageId() !== String(id))
        void this.router.navigate(['/arrange/pages', id], { replaceUrl: true });
    });
  }

  protected readonly nameOf = pieceName;

  protected stripNameOf({ strip, at }: PageItem): string {
    return stripName(strip, Number(at[1]));
  }

  private refuse(error: unknown): typeof EMPTY {
    this.refusal.set(sentenceOf(error));
    return EMPTY;
  }
}
