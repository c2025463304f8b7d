import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { CatalogApi } from '@plindo/api';
import type { LearnAct } from '@plindo/core/learn';
import type { Kind } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { switchMap } from 'rxjs';
import { Notices } from '../../shared/notices';

type ActOf<Do extends LearnAct['do']> = Extract<LearnAct, { readonly do: Do }>;

/** Does what can be done about something learned; each can be undone. `done` runs then, and again when it is undone. */
@Injectable({ providedIn: 'root' })
export class LearnActs {
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialog);
  private readonly notices = inject(Notices);

  run(act: LearnAct, done: () => void): void {
    switch (act.do) {
      case 'add-word':
        return void this.addWord(act, done);
      case 'keep-longer':
        return void this.keepLonger(act, done);
      case 'take-off-facet':
        return this.changeKind(act.kindId, withoutFacet(act.key), `Took the facet ${act.label} off`, done);
      case 'take-off-sort':
        return this.changeKind(act.kindId, withoutSort(act.key), `Took the sort choice ${act.label} off`, done);
      case 'feature':
        return this.feature(act, done);
      case 'go':
        return;
    }
  }

  private async addWord({ kindId, words }: ActOf<'add-word'>, done: () => void): Promise<void> {
    const { AddWordDialog } = await import('./add-word-dialog');
    const data = { kindId, words };
    const opened = this.dialog.open<unknown, unknown, string | undefined>(AddWordDialog, { data, width: '32rem' });
    opened.afterClosed().subscribe((means) => {
      if (means) this.changeKind(kindId, withWord(words, means), `“${words}” finds what “${means}” finds`, done);
    });
  }

  private async keepLonger({ listingId, title }: ActOf<'keep-longer'>, done: () => void): Promise<void> {
    const { KeepLongerDialog } = await import('./keep-longer-dialog');
    this.api.listing(listingId).subscribe({
      next: (data) => {
        const opened = this.dialog.open<unknown, unknown, number | undefined>(KeepLongerDialog, {
          data,
          width: '36rem',
        });
        opened.afterClosed().subscribe((changeId) => {
          if (changeId === undefined) return;
          done();
          this.notices.changed(`Changed when ${title} leaves`, changeId, done);
        });
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private feature({ listingId, title }: ActOf<'feature'>, done: () => void): void {
    const sent = this.api
      .listing(listingId)
      .pipe(switchMap((listing) => this.api.changeListing(listing, { featured: true })));
    this.notices.tellAndShow(sent, `Featured ${title}`, done);
  }

  private changeKind(kindId: number, change: (kind: Kind) => Kind, sentence: string, done: () => void): void {
    const sent: Observable<{ changeId: number; result: unknown }> = this.api
      .kind(kindId)
      .pipe(switchMap(({ kind }) => this.api.saveKind(change(kind))));
    this.notices.tellAndShow(sent, sentence, done);
  }
}

function withoutFacet(key: string): (kind: Kind) => Kind {
  return (kind) => ({ ...kind, facets: kind.facets.filter((facet) => facet.key !== key) });
}

function withoutSort(key: string): (kind: Kind) => Kind {
  return (kind) => ({ ...kind, sortChoices: kind.sortChoices.filter((choice) => choice.key !== key) });
}

/** The words join a group that the meaning is in, or make one with it. */
export function withWord(words: string, means: string): (kind: Kind) => Kind {
  const isIn = (group: readonly string[]): boolean => group.some((one) => one.toLowerCase() === means.toLowerCase());
  return (kind) => {
    const { synonyms } = kind;
    const joined = synonyms.map((group) => (isIn(group) ? [...new Set([...group, words])] : group));
    return { ...kind, synonyms: synonyms.some(isIn) ? joined : [...synonyms, [means, words]] };
  };
}
