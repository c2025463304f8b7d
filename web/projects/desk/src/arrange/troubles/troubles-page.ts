import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  EnvironmentInjector,
  computed,
  inject,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { PagesApi } from '@plindo/api';
import type { CardModel, DesignedPage } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import type { TroubleSort } from './measure';
import type { FoundTrouble, Screen } from './trouble-finder';
import { TroubleFinder } from './trouble-finder';

const SORT_WORDS: Readonly<Record<TroubleSort, string>> = {
  cut: 'Words are cut',
  overflows: 'Words stand out of their place',
  'no-alternative': 'A picture has no words for those who do not see it',
  'no-picture': 'There is no picture',
  empty: 'There is hardly anything to see',
  faint: 'Words can hardly be read on a bright or a dark picture',
};
const SCREEN_WORDS: Readonly<Record<Screen, string>> = { phone: 'phone', tablet: 'tablet', wide: 'wide screen' };
const SHOWN_AT_FIRST = 20;

interface Group {
  readonly where: 'card' | 'page';
  readonly kind: Kind;
  readonly sort: TroubleSort;
  readonly all: readonly FoundTrouble[];
}

/** Looks at the card and the page of every listing at three widths, and lists what is wrong with which. */
@Component({
  selector: 'pl-troubles-page',
  imports: [KindList, MatButtonModule, MatProgressBarModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './troubles-page.html',
  styleUrl: './troubles-page.scss',
})
export class TroublesPage {
  private readonly app = inject(ApplicationRef);
  private readonly injector = inject(EnvironmentInjector);
  private readonly notices = inject(Notices);
  private readonly pages = inject(PagesApi);
  private readonly store = inject(KindsStore);

  protected readonly words = SORT_WORDS;
  protected readonly most = SHOWN_AT_FIRST;
  protected readonly isLooking = signal(false);
  /** How many of how many listings have been looked at. */
  protected readonly done = signal(0);
  protected readonly total = signal(0);
  protected readonly hasLooked = signal(false);
  private readonly found = signal<readonly (FoundTrouble & Pick<Group, 'where' | 'kind'>)[]>([]);
  /** By kind, where and sort, those first that most listings have. */
  protected readonly groups = computed((): Group[] => {
    const groups = new Map<string, Group>();
    for (const { where, kind, ...trouble } of this.found()) {
      const key = `${kind.id} ${where} ${trouble.sort}`;
      const group = groups.get(key);
      groups.set(key, { where, kind, sort: trouble.sort, all: [...(group?.all ?? []), trouble] });
    }
    return [...groups.values()].sort((a, b) => b.all.length - a.all.length);
  });
  private isStopped = false;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected screensOf({ screens }: FoundTrouble): string {
    return screens.length === 3 ? 'at all widths' : `on a ${screens.map((one) => SCREEN_WORDS[one]).join(' and a ')}`;
  }

  /** How many listings have it; one can have it several times. */
  protected listingsIn({ all }: Group): number {
    return new Set(all.map(({ listing }) => listing.id)).size;
  }

  protected stop(): void {
    this.isStopped = true;
  }

  /** Kind by kind: its cards as its list shows them, a page of it after the other, and the page of each listing. */
  protected async look(): Promise<void> {
    this.isStopped = false;
    this.isLooking.set(true);
    this.found.set([]);
    this.done.set(0);
    this.total.set(0);
    const finder = new TroubleFinder(this.app, this.injector);
    try {
      const kinds = (await this.store.reload()).filter(({ kind }) => !kind.putAside);
      this.total.set(kinds.reduce((sum, { counts }) => sum + counts.live, 0));
      for (const { kind } of kinds) await this.lookAtKind(kind, finder);
      this.hasLooked.set(true);
    } catch (error) {
      this.notices.refused(error);
    } finally {
      finder.end();
      this.isLooking.set(false);
    }
  }

  private async lookAtKind(kind: Kind, finder: TroubleFinder): Promise<void> {
    const seen = new Set<number>();
    for (let number = 1; !this.isStopped; number++) {
      const list = await firstValueFrom(this.pages.preview(kind.id, `page=${number}`));
      const cards = cardsOf(list).filter(({ id }) => !seen.has(id));
      if (cards.length === 0) return;
      for (const card of cards) {
        if (this.isStopped) return;
        seen.add(card.id);
        const ofCard = finder.ofCards([card], list.cardForms).map((one) => ({ ...one, where: 'card' as const, kind }));
        const ofPage = await this.lookAtPage(card, kind, finder);
        this.found.update((found) => [...found, ...ofCard, ...ofPage]);
        this.done.update((done) => done + 1);
      }
    }
  }

  private async lookAtPage(
    { href, id, title }: CardModel,
    kind: Kind,
    finder: TroubleFinder,
  ): Promise<(FoundTrouble & Pick<Group, 'where' | 'kind'>)[]> {
    if (href === null) return [];
    const page = await firstValueFrom(this.pages.page(href));
    if (page.type !== 'designed') return [];
    return finder.ofPage(page, { id, title }).map((one) => ({ ...one, where: 'page', kind }));
  }
}

/** All cards of the list that a page is about. */
function cardsOf({ strips }: DesignedPage): CardModel[] {
  const pieces = strips.flatMap(({ columns }) => columns.flatMap((column) => column.pieces));
  return pieces.flatMap((piece) => {
    if (piece.type !== 'list' || !piece.state) return [];
    return [...piece.state.featured, ...piece.state.groups.flatMap(({ cards }) => cards), ...piece.cards];
  });
}
