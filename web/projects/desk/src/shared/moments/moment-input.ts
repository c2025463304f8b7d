import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { DateAdapter } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatTimepickerModule } from '@angular/material/timepicker';
import type { DateTime } from 'luxon';
import type { MomentControl, MomentHalves } from './moment-text';
import { dateOf, halvesOf, momentText } from './moment-text';
import { SITE_DATES } from './site-dates';

/** Asks for a day, a time, or both: typed as the site's locale writes them, or picked. What can't be read stays as it was typed. */
@Component({
  selector: 'pl-moment-input',
  imports: [MatDatepickerModule, MatTimepickerModule],
  providers: [SITE_DATES],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (control() !== 'time') {
      <span class="half">
        <input
          #day
          class="plain-input day"
          autocomplete="off"
          [matDatepicker]="days"
          [value]="shownDay()"
          [placeholder]="sample"
          [attr.aria-label]="control() === 'date' ? label() : label() + ', day'"
          [attr.aria-invalid]="invalid() ? 'true' : null"
          (input)="type('day', $any($event.target).value)"
          (dateChange)="settle('day', $event.value, day.value)"
          (blur)="leave()"
        />
        <mat-datepicker-toggle [for]="days" [aria-label]="'Pick a day for ' + label()" />
        <mat-datepicker #days [restoreFocus]="true" (closed)="closed()" />
      </span>
    }
    @if (control() !== 'date') {
      <span class="half">
        <input
          #time
          class="plain-input time"
          autocomplete="off"
          placeholder="14:30"
          [matTimepicker]="times"
          [value]="shownTime()"
          [attr.aria-label]="control() === 'time' ? label() : label() + ', time'"
          [attr.aria-invalid]="invalid() ? 'true' : null"
          (input)="type('time', $any($event.target).value)"
          (change)="settle('time', null, time.value)"
          (blur)="leave()"
        />
        <mat-timepicker-toggle [for]="times" [aria-label]="'Pick a time for ' + label()" />
        <mat-timepicker #times interval="30m" (selected)="settle('time', $event.value, '')" (closed)="closed()" />
      </span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.25rem 0.5rem;
      align-items: center;
    }
    .half {
      display: inline-flex;
      align-items: center;
      --mat-icon-button-state-layer-size: 2.25rem;
    }
    .day {
      inline-size: 8rem;
    }
    .time {
      inline-size: 5.5rem;
    }
    mat-datepicker-toggle,
    mat-timepicker-toggle {
      color: var(--pl-accent);
    }
  `,
})
export class MomentInput {
  readonly control = input.required<MomentControl>();
  /** "2026-12-31T14:30", "2026-12-31" or "14:30" in the zone of the site, or what was typed; '' for none. */
  readonly value = input.required<string>();
  readonly label = input.required<string>();
  readonly invalid = input(false);
  readonly valueChange = output<string>();
  /** The focus has gone elsewhere, and no picker is open. */
  readonly left = output();

  private readonly adapter = inject<DateAdapter<DateTime>>(DateAdapter);
  private readonly dayElement = viewChild<ElementRef<HTMLInputElement>>('day');
  private readonly timeElement = viewChild<ElementRef<HTMLInputElement>>('time');
  protected readonly sample = this.adapter.format(this.adapter.createDate(2026, 11, 31), 'D');
  protected readonly shownDay = signal<DateTime | null>(null);
  protected readonly shownTime = signal<DateTime | null>(null);
  private readonly halves = computed(() => halvesOf(this.value(), this.control()));
  /** What was told last: while somebody types, their text isn't written anew. */
  private told: string | null = null;
  private isLeaving: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    effect(() => {
      const { day, time } = this.halves();
      if (untracked(this.value) === this.told) return;
      this.shownDay.set(dateOf(day, 'yyyy-MM-dd'));
      this.shownTime.set(dateOf(time, 'HH:mm'));
    });
  }

  focus(): void {
    (this.dayElement() ?? this.timeElement())?.nativeElement.focus();
  }

  protected type(half: keyof MomentHalves, text: string): void {
    this.tell({ [half]: this.read(half, text) });
  }

  /** Once a half is finished it is shown as it is read. */
  protected settle(half: keyof MomentHalves, picked: DateTime | null, text: string): void {
    const read = picked ? this.textOf(half, picked) : this.read(half, text);
    const date = half === 'day' ? dateOf(read, 'yyyy-MM-dd') : dateOf(read, 'HH:mm');
    if (date) (half === 'day' ? this.shownDay : this.shownTime).set(date);
    this.tell({ [half]: read });
  }

  protected leave(): void {
    // The focus may be on its way to the other half, or to a picker.
    clearTimeout(this.isLeaving);
    this.isLeaving = setTimeout(() => this.leaveIfGone());
  }

  protected closed(): void {
    this.leave();
  }

  private leaveIfGone(): void {
    const active = document.activeElement;
    const isInside = active?.closest('pl-moment-input, .mat-datepicker-content, .mat-timepicker-panel') != null;
    if (!isInside) this.left.emit();
  }

  private tell(change: Partial<MomentHalves>): void {
    const text = momentText({ ...this.halves(), ...change }, this.control());
    if (text === this.value()) return;
    this.told = text;
    this.valueChange.emit(text);
  }

  private read(half: keyof MomentHalves, text: string): string {
    const date = half === 'day' ? this.adapter.parse(text, 'D') : this.adapter.parseTime(text, 't');
    return date?.isValid ? this.textOf(half, date) : text.trim();
  }

  private textOf(half: keyof MomentHalves, date: DateTime): string {
    return date.toFormat(half === 'day' ? 'yyyy-MM-dd' : 'HH:mm');
  }
}
