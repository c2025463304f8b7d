import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { PagesApi } from '@plindo/api';
import type { DesignVersion } from '@plindo/core/contract';
import type { KeptLook, LookDesign } from '@plindo/core/design';
import { looksOf, makeLook, scopedCss } from '@plindo/core/design';
import type { DesignedPage } from '@plindo/core/page';
import { styleOf } from '@plindo/core/page';
import { isListShown } from '@plindo/core/structure';
import { DesignedPageView } from '@plindo/listing-view';
import { switchMap } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import type { SendDesign } from '../design/design-session';
import { DesignSession } from '../design/design-session';
import { DesignerFrame } from '../design/designer-frame';
import { LiveView } from '../../shared/live-view';
import { VersionsMenu } from '../design/versions-menu';
import { tryLook } from '@plindo/api/tried-look';
import { wearOwnCss } from '../design/own-sheet';
import { LookSettings } from './look-settings';
import { LookWork } from './look-work';

const NEW = 'new';

/** The look designer: any page of the site in the look as it is being made, beside the one that visitors see if wanted. */
@Component({
  selector: 'pl-look-designer',
  imports: [DesignedPageView, DesignerFrame, LiveView, LookSettings, MatButtonModule, VersionsMenu],
  providers: [DesignSession],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './look-designer.html',
  styleUrls: ['../design/outline-button.scss', './look-designer.scss'],
})
export class LookDesigner {
  /** From the address; the look's number, or "new". */
  readonly lookId = input.required<string>();

  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly pages = inject(PagesApi);
  private readonly reading = inject(Reading);
  private readonly router = inject(Router);
  protected readonly session = inject(DesignSession);
  protected readonly work = signal<LookWork | null>(null);
  protected readonly model = signal<DesignedPage | null>(null);
  /** Whether the look of the site is shown beside. */
  protected readonly isCompared = signal(false);
  protected readonly path = signal('/');

  private readonly looks = computed(() => looksOf(this.designs.designs() ?? []));
  protected readonly kept = computed((): KeptLook | undefined =>
    this.looks().find(({ id }) => String(id) === this.lookId()),
  );
  protected readonly isOfSite = computed(() => this.kept() !== undefined && this.kept() === this.looks()[0]);
  protected readonly style = computed(() => styleOf(this.work()?.look()));
  protected readonly siteStyle = computed(() => styleOf(this.looks()[0]?.definition));
  /** The pages on which it can be looked at. */
  protected readonly places = computed(() => [
    { path: '/', label: 'Home page' },
    ...(this.kinds.kinds() ?? [])
      .filter(({ kind }) => isListShown(kind))
      .map(({ kind }) => ({ path: `/${kind.slug}`, label: kind.many })),
  ]);
  /** The first listing of the list that is shown, to see its page too. */
  protected readonly firstCard = computed(() => {
    const pieces = this.model()?.strips.flatMap(({ columns }) => columns.flatMap((column) => column.pieces)) ?? [];
    const cards = pieces.flatMap((piece) => (piece.type === 'list' ? piece.cards : []));
    const card = cards.find(({ href }) => href);
    return card?.href ? { href: card.href, title: card.title } : null;
  });

  constructor() {
    void this.designs.reloadAll();
    wearOwnCss(() => this.work()?.look().css ?? '');
    void this.kinds.reload();
    effect(() => {
      const [id, isRead] = [this.lookId(), this.designs.drafts() !== null];
      if (isRead) untracked(() => this.begin(id));
    });
    effect(() => {
      const work = this.work();
      if (work) this.session.remember(work.history);
    });
    toObservable(this.path)
      .pipe(
        switchMap((path) => this.pages.page(path)),
        takeUntilDestroyed(),
      )
      .subscribe((model) => {
        if (model.type === 'designed') this.model.set(model);
      });
  }

  private begin(id: string): void {
    const kept = this.kept();
    const draft = this.designs.draftOf(kept?.id ?? null, id);
    if (!kept && !draft && id !== NEW) return;
    if (this.work()?.history.isChanged() === true) return;
    const begun = this.session.begin({ kept, draft, name: `look-${kept?.id ?? id}` }, this.unkept());
    this.work.set(new LookWork(begun.work, begun.kept));
  }

  /** The look of the site under a name that is free, or the one that comes with Plindo. */
  private unkept(): LookDesign {
    const [first] = this.looks();
    const names = this.looks().map(({ definition }) => definition.name);
    let number = 1;
    while (names.includes(`Look ${number}`)) number++;
    return { ...(first?.definition ?? makeLook({ name: '' })), name: `Look ${number}`, purpose: '' };
  }

  /** Brings an earlier state in; nothing is kept until it is saved. */
  protected goBack({ definition, at }: DesignVersion): void {
    const moment = this.reading.context().formats.moment(Date.parse(at));
    this.work()?.history.replace(definition as LookDesign, `Went back to the version of ${moment}`);
  }

  protected startOver(): void {
    this.session.forget();
    this.work.set(null);
    this.begin(this.lookId());
  }

  /** Shows the site itself in this look, to this browser only. */
  protected tryIt(): void {
    const work = this.work();
    if (!work) return;
    tryLook({ name: work.look().name, style: this.style(), css: scopedCss(work.look().css) });
    window.open(this.path(), '_blank', 'noopener');
  }

  protected throwDraftAway(): void {
    this.session.throwDraftAway(() => this.goOn());
  }

  protected send(how: SendDesign): void {
    const work = this.work();
    if (!work) return;
    const definition = work.look();
    this.session[how]({ type: 'look', kindId: null, definition }, ({ id }) => {
      work.history.keep(definition);
      if (!this.kept() && this.lookId() !== String(id))
        void this.router.navigate(['/arrange/looks', id], { replaceUrl: true });
    });
  }

  /** With what visitors see, where there is anything. */
  private goOn(): void {
    if (this.kept()) this.startOver();
    else void this.router.navigate(['/arrange/looks']);
  }
}
