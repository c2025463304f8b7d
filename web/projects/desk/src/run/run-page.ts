import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi, SessionStore } from '@plindo/api';
import type { ChangeSummary } from '@plindo/core/contract';
import { SitePanel } from './site-panel';
import { KindList } from '../shared/kind-list';
import { Notices } from '../shared/notices';

/** What was changed and by whom, with a way back; the site's settings. */
@Component({
  selector: 'pl-run-page',
  imports: [KindList, MatButtonModule, SitePanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-stage">
      <pl-kind-list stage="run" />
      <div class="desk-page">
        <h1>Run</h1>
        <section class="panel">
          <h2>What was changed</h2>
          <div class="scroll">
            <table class="data-table">
              <thead>
                <tr>
                  <th>When</th>
                  <th>Who</th>
                  <th>What</th>
                  <th><span class="hidden-text">Undo</span></th>
                </tr>
              </thead>
              <tbody>
                @for (change of changes(); track change.id) {
                  <tr [class.undone]="change.undone">
                    <td class="when">{{ momentOf(change) }}</td>
                    <td>{{ change.who }}</td>
                    <td>{{ change.sentence }}</td>
                    <td>
                      @if (change.undone) {
                        <span class="quiet">undone</span>
                      } @else {
                        <button matButton [attr.aria-label]="'Undo: ' + change.sentence" (click)="undo(change)">
                          Undo
                        </button>
                      }
                    </td>
                  </tr>
                } @empty {
                  <tr>
                    <td colspan="4" class="quiet">Nothing has been changed yet.</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
          @if (!showsAll() && all().length > shownFirst) {
            <button matButton (click)="showsAll.set(true)">Show the last {{ all().length }}</button>
          }
        </section>
        <pl-site-panel />
      </div>
    </div>
  `,
  styles: `
    .scroll {
      overflow-x: auto;
    }
    .when {
      white-space: nowrap;
    }
    .undone td {
      color: var(--pl-quiet);
    }
    td {
      vertical-align: middle;
    }
  `,
})
export class RunPage {
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly session = inject(SessionStore);

  protected readonly shownFirst = 15;
  protected readonly all = signal<readonly ChangeSummary[]>([]);
  protected readonly showsAll = signal(false);
  protected readonly changes = (): readonly ChangeSummary[] =>
    this.showsAll() ? this.all() : this.all().slice(0, this.shownFirst);

  constructor() {
    this.load();
  }

  /** The moment in the site's zone, as its locale writes it. */
  protected momentOf({ at }: ChangeSummary): string {
    const { locale = 'en', zone = 'UTC' } = this.session.session()?.site ?? {};
    const style = { dateStyle: 'medium', timeStyle: 'short', timeZone: zone } as const;
    return new Intl.DateTimeFormat(locale, style).format(new Date(at));
  }

  protected undo({ id }: ChangeSummary): void {
    this.api.undo(id).subscribe({
      next: ({ changeId, result }) => {
        this.load();
        this.notices.changed(result.sentence, changeId, () => this.load());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private load(): void {
    this.api.changes().subscribe((changes) => this.all.set(changes));
  }
}
