import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { DesignsApi, DraftsApi, SessionStore } from '@plindo/api';
import type { KeptDraft } from '@plindo/core/contract';
import { designDifferences } from '@plindo/core/design';
import { listingPath } from '@plindo/core/page';
import { DESIGN_WORDS } from '@plindo/core/plans';
import { momentOfLocal } from '@plindo/core/time';
import { wearSiteCss } from '../design/own-sheet';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { MomentInput } from '../../shared/moments/moment-input';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { SelectionsStore } from '../../shared/selections-store';
import { BeforeAfter } from './before-after';
import { designerOf, seenAt } from './seen-at';

/** All drafts: how each differs from what visitors see, before and after; publishes them at once or at a moment. */
@Component({
  selector: 'pl-drafts-page',
  imports: [BeforeAfter, KindList, MatButtonModule, MomentInput, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './drafts-page.html',
  styleUrl: './drafts-page.scss',
})
export class DraftsPage {
  private readonly api = inject(DraftsApi);
  private readonly designsApi = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly selections = inject(SelectionsStore);
  private readonly session = inject(SessionStore);
  private readonly zone = computed(() => this.session.session()?.site.zone ?? 'UTC');

  /** Numbers of the drafts that are not to be published yet. */
  protected readonly left = signal<ReadonlySet<number>>(new Set());
  /** The draft that is looked at, and where. */
  protected readonly looked = signal<{ readonly id: number; readonly path: string } | null>(null);
  protected readonly at = signal('');
  protected readonly revision = signal(0);

  protected readonly rows = computed(() => {
    const drafts = this.designs.drafts();
    const all = this.designs.designs();
    return drafts && all
      ? drafts.map(({ design, at, who }) => {
          const before = all.find(({ id }) => id === design.draft?.of) ?? null;
          return {
            ...{ design, who, what: DESIGN_WORDS[design.type], link: designerOf(design) },
            when: at === null ? '' : this.moment(at),
            differences: designDifferences(before, design),
            isOutdated: before !== null && before.version !== design.draft!.basedOn,
            publishAt: design.draft!.publishAt === null ? '' : this.moment(design.draft!.publishAt),
            fault: design.draft!.fault,
          };
        })
      : null;
  });
  protected readonly chosen = computed(() =>
    (this.designs.drafts() ?? []).map(({ design }) => design.id).filter((id) => !this.left().has(id)),
  );

  constructor() {
    void this.kinds.reload();
    void this.selections.reload();
    void this.designs.reloadAll();
    wearSiteCss();
    effect(() => {
      this.designs.drafts();
      untracked(() => this.revision.update((number) => number + 1));
    });
  }

  protected choose(id: number, isChosen: boolean): void {
    this.left.update((left) => new Set([...left].filter((one) => one !== id).concat(isChosen ? [] : [id])));
  }

  /** Shows where visitors will see a draft; a page of listings is shown with the first of them. */
  protected look({ design }: Pick<KeptDraft, 'design'>): void {
    if (this.looked()?.id === design.id) return this.looked.set(null);
    const kinds = (this.kinds.kinds() ?? []).map(({ kind }) => kind);
    const selections = (this.selections.selections() ?? []).map(({ selection }) => selection);
    const found = seenAt(design, kinds, selections, this.designs.designs() ?? []);
    if (!found) return this.notices.said('No page shows it.');
    if ('path' in found) return this.looked.set({ id: design.id, path: found.path });
    this.designsApi.samples(found.listingOf.id).subscribe({
      next: ({ samples: [first] }) => {
        if (first) this.looked.set({ id: design.id, path: listingPath(found.listingOf, first.listing) });
        else this.notices.said('There is no listing to show it with.');
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected publish(): void {
    const ids = this.chosen();
    this.notices.tellAndShow(this.api.publish(ids), sentence('Published', ids.length), () => this.reload());
  }

  /** At a moment by the clock of the site. */
  protected publishLater(): void {
    const local = Date.parse(`${this.at()}Z`);
    if (Number.isNaN(local)) {
      this.notices.said('Choose a day and a time, such as 31/12/2026 and 14:30.');
      return;
    }
    const at = new Date(momentOfLocal(local, this.zone())).toISOString();
    const ids = this.chosen();
    this.notices.tellAndShow(this.api.setMoment(ids, at), sentence('Set a moment for', ids.length), () =>
      this.reload(),
    );
  }

  protected takeMoment(id: number): void {
    this.notices.tellAndShow(this.api.setMoment([id], null), 'Took the moment away', () => this.reload());
  }

  protected throwAway({ id, definition: { name } }: KeptDraft['design']): void {
    this.notices.tellAndShow(this.api.remove(id), `Threw away the draft of ${name}`, () => this.reload());
  }

  private moment(at: string): string {
    return this.reading.context().formats.moment(Date.parse(at));
  }

  private reload(): void {
    void this.designs.reloadAll();
  }
}

function sentence(done: string, count: number): string {
  return `${done} ${count === 1 ? 'a draft' : `${count} drafts`}`;
}
