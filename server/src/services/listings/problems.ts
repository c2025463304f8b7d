import type { ProblemReport } from '@plindo/core/contract';
import type { FoundProblem } from '@plindo/core/listings';
import { KindProblems, outOfDate, unusedCategories } from '@plindo/core/listings';
import { breath } from '../../live/breath.js';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import type { CategorySets } from '../structure/category-sets.js';
import { PerRevision } from '../per-revision.js';

const LISTINGS_A_STRETCH = 500;

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
    return { problems: [...stale, ...problems] };
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
