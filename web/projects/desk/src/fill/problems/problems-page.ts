import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { FoundProblem, ProblemCode } from '@plindo/core/listings';
import { Icon } from '@plindo/listing-view';
import { KindList } from '../../shared/kind-list';

/** What to do about a problem, and where. */
interface Way {
  readonly label: string;
  readonly link: readonly (string | number)[];
  readonly query: Readonly<Record<string, string>>;
}

const ICONS: Readonly<Record<ProblemCode, string>> = {
  'out-of-date': 'history',
  'due-failed': 'schedule',
  'mail-failed': 'mail',
  'missing-value': 'warning',
  'kept-aside': 'history',
  'unfit-value': 'block',
  'broken-address': 'link',
  'numbers-as-text': 'numbers',
  'same-title': 'content_copy',
  'no-alt-text': 'image',
  'unused-category': 'account_tree',
};

/** Everything that went wrong without anybody entering a wrong value, and the way to each. */
@Component({
  selector: 'pl-problems-page',
  imports: [Icon, KindList, MatButtonModule, MatProgressBarModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './problems-page.html',
  styleUrl: './problems-page.scss',
})
export class ProblemsPage {
  private readonly api = inject(CatalogApi);
  protected readonly problems = signal<readonly FoundProblem[] | null>(null);
  protected readonly failure = signal('');
  protected readonly total = computed(() => (this.problems() ?? []).reduce((sum, { total }) => sum + total, 0));

  constructor() {
    this.look();
  }

  protected look(): void {
    this.problems.set(null);
    this.api.problems().subscribe({
      next: ({ problems }) => this.problems.set(problems),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  protected iconOf({ code }: FoundProblem): string {
    return ICONS[code];
  }

  protected wayOf({ code, kindId, setId, field }: FoundProblem): Way | null {
    if (setId !== null) return { label: 'See the categories', link: ['/shape/categories', setId], query: {} };
    if (code === 'mail-failed') return { label: 'See the outbox', link: ['/run/outbox'], query: {} };
    if (code === 'numbers-as-text') {
      return { label: 'Change its type', link: ['/shape', kindId ?? 0], query: { openField: field ?? '' } };
    }
    if (code === 'missing-value' && field) {
      const filters = JSON.stringify([{ by: `field:${field}`, op: 'is-empty' }]);
      return { label: 'Show them in the table', link: ['/fill', kindId ?? 0], query: { filters } };
    }
    return null;
  }
}
