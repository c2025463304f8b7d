import { Injectable, inject, signal } from '@angular/core';
import { PausedQuestion, SelectionsApi } from '@plindo/api';
import type { ConditionGroup, Kind } from '@plindo/core/structure';
import { makeSelection } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { forkJoin, map, of } from 'rxjs';

interface Asked {
  readonly kind: Kind;
  readonly where: ConditionGroup | null;
}

/** Counts the listings of a kind for which a condition holds. */
@Injectable()
export class HoldsFor {
  private readonly api = inject(SelectionsApi);
  /** "41 of 153"; empty for no condition, and while it is not known. */
  readonly words = signal('');
  private readonly question = new PausedQuestion<Asked, string>((asked) => this.count(asked), {
    next: (words) => this.words.set(words),
    error: () => this.words.set(''),
  });

  ask(kind: Kind | null, where: ConditionGroup | null): void {
    this.words.set('');
    if (kind) this.question.ask({ kind, where });
  }

  private count({ kind, where }: Asked): Observable<string> {
    if (!where) return of('');
    const selection = (group?: ConditionGroup): ReturnType<typeof makeSelection> =>
      makeSelection({ slug: 'count', name: 'Count', kinds: [kind.id], ...(group && { where: group }) });
    const asked = { some: this.api.preview(selection(where)), all: this.api.preview(selection()) };
    return forkJoin(asked).pipe(map(({ some, all }) => `${some.found} of ${all.found} that visitors see`));
  }
}
