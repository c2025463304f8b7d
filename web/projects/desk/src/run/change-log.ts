import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { ChangeSummary } from '@plindo/core/contract';
import { Icon } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';
import { partsOf } from '../shared/form-parts';
import { LongWork } from '../shared/long-work/long-work';
import { MomentInput } from '../shared/moments/moment-input';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';
import type { LogGroup } from './log-groups';
import { logGroups } from './log-groups';

/** What is asked of the log; '' for any. */
interface LogAsk {
  readonly q: string;
  readonly who: string;
  readonly from: string;
  readonly until: string;
}

const ANY: LogAsk = { q: '', who: '', from: '', until: '' };
/** As many as the server answers at once. */
const AT_ONCE = 200;
const SHOWN_FIRST = 15;

/** What was changed, when and by whom, with a way back. */
@Component({
  selector: 'pl-change-log',
  imports: [Icon, MatButtonModule, MomentInput],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>What was changed</h2>
      <form class="ask" role="search" (submit)="search($event)">
        <label>What <input class="plain-input" name="q" maxlength="200" placeholder="Words" /></label>
        <label>Who <input class="plain-input" name="who" maxlength="120" placeholder="Name" /></label>
        <span
          >From <pl-moment-input control="date" label="From" [value]="from()" (valueChange)="from.set($event)"
        /></span>
        <span
          >To <pl-moment-input control="date" label="To" [value]="until()" (valueChange)="until.set($event)"
        /></span>
        <button matButton="outlined" type="submit">Show</button>
        @if (isNarrowed()) {
          <button matButton type="reset" (click)="clear()">Show all</button>
        }
      </form>
      @if (failure()) {
        <p class="issues" role="alert">{{ failure() }}</p>
      }
      <div class="wide-table">
        <table class="data-table stacks">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th><span class="hidden-text">Undo</span></th>
            </tr>
          </thead>
          <tbody>
            @for (group of shown(); track group.changes[0].id) {
              <tr [class.undone]="group.changes[0].undone">
                <td class="when">{{ momentOf(group.changes[0]) }}</td>
                <td>{{ group.changes[0].who }}</td>
                <td>
                  {{ group.sentence }}
                  @if (group.changes.length > 1) {
                    <button
                      matButton
                      type="button"
                      [attr.aria-expanded]="opened().has(group.changes[0].id)"
                      (click)="toggle(group)"
                    >
                      <pl-icon [name]="opened().has(group.changes[0].id) ? 'expand_less' : 'expand_more'" />{{
                        group.changes.length
                      }}
                      changes
                    </button>
                  }
                </td>
                <td>
                  @if (group.changes[0].undone) {
                    <span class="quiet">undone</span>
                  } @else {
                    <button
                      matButton
                      [attr.aria-label]="(group.changes.length > 1 ? 'Undo all: ' : 'Undo: ') + group.sentence"
                      (click)="undo(group)"
                    >
                      {{ group.changes.length > 1 ? 'Undo all' : 'Undo' }}
                    </button>
                  }
                </td>
              </tr>
              @if (group.changes.length > 1 && opened().has(group.changes[0].id)) {
                @for (change of group.changes; track change.id) {
                  <tr class="inner" [class.undone]="change.undone">
                    <td class="when">{{ momentOf(change) }}</td>
                    <td></td>
                    <td>{{ change.sentence }}</td>
                    <td>
                      <button matButton [attr.aria-label]="'Undo: ' + change.sentence" (click)="undoOne(change)">
                        Undo
                      </button>
                    </td>
                  </tr>
                }
              }
            } @empty {
              <tr>
                <td colspan="4" class="quiet">
                  {{ isNarrowed() ? 'No change fits these words and days.' : 'Nothing has been changed yet.' }}
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <div class="button-row">
        @if (groups().length > shown().length) {
          <button matButton (click)="showsAll.set(true)">Show the last {{ number(all().length) }}</button>
        } @else if (hasOlder()) {
          <button matButton (click)="older()">Show older ones</button>
        }
      </div>
    </section>
  `,
  styles: `
    .ask {
      display: flex;
      margin-block: 0.5rem;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: center;
    }
    .ask label {
      display: flex;
      gap: 0.375rem;
      align-items: center;
    }
    .ask input {
      inline-size: 10rem;
    }
    .when,
    td:last-child {
      white-space: nowrap;
    }
    .undone td {
      color: var(--pl-quiet);
    }
    .inner td {
      padding-block: 0;
      border: 0;
    }
    td {
      vertical-align: middle;
    }
  `,
})
export class ChangeLogPanel {
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly work = inject(LongWork);
  private readonly reading = inject(Reading);
  private ask = ANY;

  protected readonly all = signal<readonly ChangeSummary[]>([]);
  protected readonly from = signal('');
  protected readonly until = signal('');
  protected readonly isNarrowed = signal(false);
  protected readonly hasOlder = signal(false);
  protected readonly showsAll = signal(false);
  protected readonly failure = signal('');
  /** The groups whose changes are shown one by one, by the number of their latest. */
  protected readonly opened = signal<ReadonlySet<number>>(new Set());
  protected readonly groups = computed(() => logGroups(this.all()));
  protected readonly shown = computed(() => (this.showsAll() ? this.groups() : this.groups().slice(0, SHOWN_FIRST)));

  constructor() {
    this.load();
  }

  private readonly moments = computed(() => {
    const { locale, zone } = this.reading.context();
    return new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone: zone });
  });

  protected momentOf({ at }: ChangeSummary): string {
    return this.moments().format(new Date(at));
  }

  protected number(count: number): string {
    return this.reading.context().formats.number(count);
  }

  protected search(event: Event): void {
    event.preventDefault();
    const part = partsOf(event);
    this.ask = { q: part('q').trim(), who: part('who').trim(), from: this.from(), until: this.until() };
    this.load();
  }

  protected clear(): void {
    this.ask = ANY;
    this.from.set('');
    this.until.set('');
    this.load();
  }

  protected toggle({ changes: [{ id }] }: LogGroup): void {
    this.opened.update((opened) => new Set(opened.has(id) ? [...opened].filter((one) => one !== id) : [...opened, id]));
  }

  /** Takes back all of a group, the latest first, up to the first that is refused. */
  protected undo(group: LogGroup): void {
    const [first, ...others] = group.changes;
    if (others.length === 0) return this.undoOne(first);
    void this.undoAll(group.changes);
  }

  private async undoAll(changes: readonly ChangeSummary[]): Promise<void> {
    const total = changes.length;
    try {
      const title = `Undoing ${this.number(total)} changes`;
      const { sentence } = await this.work.run({ title, unit: 'changes', total }, async (report) => {
        for (const [at, { id }] of changes.entries()) {
          await firstValueFrom(this.api.undo(id));
          report.progress(at + 1);
        }
        return { sentence: `Undid ${this.number(total)} changes.` };
      });
      this.notices.said(sentence);
    } catch (error) {
      this.notices.refused(error);
    }
    this.load();
  }

  protected undoOne({ id }: ChangeSummary): void {
    this.api.undo(id).subscribe({
      next: ({ changeId, result }) => {
        this.load();
        this.notices.changed(result.sentence, changeId, () => this.load());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected older(): void {
    const before = this.all().at(-1)?.id ?? 0;
    this.api.changes({ ...this.ask, before }).subscribe({
      next: (changes) => {
        this.all.update((all) => [...all, ...changes]);
        this.hasOlder.set(changes.length === AT_ONCE);
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  private load(): void {
    this.api.changes({ ...this.ask }).subscribe({
      next: (changes) => {
        this.failure.set('');
        this.all.set(changes);
        this.hasOlder.set(changes.length === AT_ONCE);
        this.isNarrowed.set(Object.values(this.ask).some((value) => value !== ''));
        this.opened.set(new Set());
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }
}
