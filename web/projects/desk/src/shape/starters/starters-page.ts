import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { StartersApi, sentenceOf } from '@plindo/api';
import type { PreviewedPage, SiteStarterSummary } from '@plindo/core/contract';
import { EMPTY, catchError, switchMap, tap } from 'rxjs';
import { CategorySetsStore } from '../../shared/category-sets-store';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { SitePreview } from '../../shared/site-preview';

/** Whole sites to begin with: what each is for, how its pages will look, and taking it. */
@Component({
  selector: 'pl-starters-page',
  imports: [MatButtonModule, SitePreview],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './starters-page.html',
  styleUrl: './starters-page.scss',
})
export class StartersPage {
  private readonly api = inject(StartersApi);
  private readonly kinds = inject(KindsStore);
  private readonly sets = inject(CategorySetsStore);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);

  private readonly list = viewChild.required<ElementRef<HTMLElement>>('list');
  private readonly seen = viewChild<ElementRef<HTMLElement>>('seen');

  protected readonly chosen = signal<SiteStarterSummary | null>(null);
  protected readonly pages = signal<readonly PreviewedPage[] | null>(null);
  protected readonly refusal = signal('');
  protected readonly isTaking = signal(false);
  protected readonly all = toSignal(this.api.all().pipe(tap(([first]) => this.chosen.set(first ?? null))));

  constructor() {
    toObservable(this.chosen)
      .pipe(
        tap(() => {
          this.pages.set(null);
          this.refusal.set('');
        }),
        switchMap((starter) => (starter ? this.previewOf(starter) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe((pages) => this.pages.set(pages));
  }

  protected choose(starter: SiteStarterSummary): void {
    this.chosen.set(starter);
    // On narrow screens it stands below all of them.
    const seen = this.seen()?.nativeElement;
    if (seen && seen.offsetTop > this.list().nativeElement.offsetTop) seen.scrollIntoView({ block: 'start' });
  }

  /** "Examples: 8 in People, 3 in Practices". */
  protected holds({ kinds }: SiteStarterSummary): string {
    return `Examples: ${kinds.map(({ many, examples }) => `${examples} in ${many}`).join(', ')}`;
  }

  protected take({ name, label }: SiteStarterSummary): void {
    this.isTaking.set(true);
    this.api.take(name).subscribe({
      next: ({ changeId }) => {
        this.reload();
        this.notices.changed(`Began with “${label}”`, changeId, () => this.reload());
        void this.router.navigateByUrl('/shape');
      },
      error: (error: unknown) => {
        this.isTaking.set(false);
        this.refusal.set(sentenceOf(error));
      },
    });
  }

  private previewOf({ name }: SiteStarterSummary) {
    return this.api.preview(name).pipe(
      catchError((error: unknown) => {
        this.refusal.set(sentenceOf(error));
        return EMPTY;
      }),
    );
  }

  private reload(): void {
    void this.kinds.reload();
    void this.sets.reload();
  }
}
