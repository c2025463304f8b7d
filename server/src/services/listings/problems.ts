import type { ProblemReport } from '@plindo/core/contract';
import type { FoundProblem } from '@plindo/core/listings';
import { KindProblems, outOfDate, unusedCategories } from '@plindo/core/listings';
import { breath } from '../../live/breath.js';
import type { Live } from '../../live/live.js';
import type { Store, Task } from '../../store/index.js';
import type { CategorySets } from '../structure/category-sets.js';
import { PerRevision } from '../per-revision.js';

const LISTINGS_A_STRETCH = 500;
const MOST_FAILED = 50;

/** What work is that is about no listing. */
const WORK_WORDS: Readonly<Record<Task, string>> = {
  departure: 'A listing that leaves',
  departures: 'Finding out when listings leave',
  featured: 'A listing that is featured no longer',
  drafts: 'Drafts whose moment has come',
  digest: 'The mails of the day',
  backup: 'The backup',
};

/** Looks through everything for what went wrong without anybody entering a wrong value. */
export class Problems {
  private readonly latest: PerRevision<ProblemReport>;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly categorySets: CategorySets,
  ) {
    this.latest = new PerRevision(live, () => this.look());
  }

  /** The problems as they are now; looked for anew only when something was changed since the last time. */
  async report(): Promise<ProblemReport> {
    const stale = this.live
      .stale()
      .map(({ kindId, reason }) => outOfDate(kindId, this.live.kind(kindId)?.many ?? 'a kind', reason));
    const { problems } = await this.latest.get();
    return { problems: [...stale, ...(await this.ofDueWork()), ...(await this.ofMails()), ...problems] };
  }

  /** Work that was due and couldn't be done; it is tried again by itself. */
  private async ofDueWork(): Promise<FoundProblem[]> {
    const failed = await this.store.due.failed(MOST_FAILED);
    const { formats } = this.live.context();
    const places = failed.map(({ task, subject, fault, dueAt }) => {
      const [named] = task === 'departure' || task === 'featured' ? this.live.named([subject]) : [];
      const detail = `was due ${formats.exactly(dueAt ?? 0)}: ${fault}`;
      return { title: named?.title ?? WORK_WORDS[task], detail, listing: named };
    });
    const byKind = new Map<number | null, typeof places>();
    for (const place of places) {
      const kindId = place.listing?.kindId ?? null;
      byKind.set(kindId, [...(byKind.get(kindId) ?? []), place]);
    }
    return [...byKind].map(([kindId, own]): FoundProblem => {
      const of = kindId === null ? '' : ` of ${this.live.kind(kindId)?.many ?? ''}`;
      return {
        ...{ code: 'due-failed', kindId, setId: null, field: null, total: own.length },
        sentence: `What was due${of} could not be done. Plindo tries it again.`,
        places: own.map(({ title, detail, listing }) => ({ title, detail, ...(listing && { listingId: listing.id }) })),
      };
    });
  }

  private async ofMails(): Promise<FoundProblem[]> {
    const failed = await this.store.mails.failed(MOST_FAILED);
    if (failed.length === 0) return [];
    const places = failed.map(({ subject, recipient, fault, code }) => {
      return { title: subject, detail: `to ${recipient}: ${code === null ? '' : `${code} `}${fault}` };
    });
    const sentence = 'Mails could not be sent';
    return [{ code: 'mail-failed', kindId: null, setId: null, field: null, sentence, total: places.length, places }];
  }

  private async look(): Promise<ProblemReport> {
    const problems: FoundProblem[] = [];
    for (const kind of this.live.kinds()) {
      const found = new KindProblems(kind, this.live.context());
      for await (const stretch of this.store.listingsOf(kind.id)) {
        for (let start = 0; start < stretch.length; start += LISTINGS_A_STRETCH) {
          const part = stretch.slice(start, start + LISTINGS_A_STRETCH);
          for (const listing of part) found.look(this.live.complete(listing));
          await breath();
        }
      }
      problems.push(...found.result());
    }
    for (const { set, counts } of this.categorySets.summaries()) problems.push(...unusedCategories(set, counts));
    return { problems };
  }
}
