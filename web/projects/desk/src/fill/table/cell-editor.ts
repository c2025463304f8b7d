import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Field, ReadContext } from '@plindo/core/structure';
import { fieldType, readRequired } from '@plindo/core/structure';
import { MomentInput } from '../../shared/moments/moment-input';
import { momentControl } from '../../shared/moments/moment-text';

/** Where to go after an edit: the next or the previous cell, or nowhere. */
export type Onward = 'next' | 'previous' | null;

/**
 * Edits one short value in its cell. Enter and leaving keep it, Escape doesn't, Tab keeps it and goes on. What the field
 * type refuses is said below the cell, and the editing goes on.
 */
@Component({
  selector: 'pl-cell-editor',
  imports: [MomentInput],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (options(); as choices) {
      <select
        #control
        [attr.aria-label]="field().label"
        [multiple]="isMultiple()"
        [class.several]="isMultiple()"
        (change)="isMultiple() || keep(null)"
        (blur)="keep(null)"
        (keydown)="key($event)"
      >
        @if (!isMultiple()) {
          <option value=""></option>
        }
        @for (choice of choices; track choice.key) {
          <option [value]="choice.key" [selected]="chosen().includes(choice.key)">{{ choice.label }}</option>
        }
      </select>
    } @else if (moment(); as control) {
      <pl-moment-input
        [control]="control"
        [label]="field().label"
        [value]="draft()"
        [invalid]="!!refused()"
        (valueChange)="draft.set($event)"
        (left)="keep(null)"
        (keydown)="key($event)"
      />
    } @else {
      <input
        #control
        [value]="text()"
        [attr.aria-label]="field().label"
        [attr.aria-invalid]="refused() ? 'true' : null"
        (blur)="keep(null)"
        (keydown)="key($event)"
      />
    }
    @if (refused()) {
      <div class="refused" role="alert">{{ refused() }}</div>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      inline-size: 100%;
    }
    :host > input,
    select {
      inline-size: 100%;
      min-block-size: 2.125rem;
      padding-inline: 0.375rem;
      border: 2px solid var(--pl-accent);
      border-radius: 2px;
      outline: 0;
      background: var(--pl-raised);
      color: var(--pl-ink);
      font: inherit;
    }
    pl-moment-input {
      position: absolute;
      z-index: 5;
      inset-block-start: -1.0625rem;
      padding: 0.25rem;
      border: 2px solid var(--pl-accent);
      border-radius: 2px;
      background: var(--pl-raised);
    }
    .several {
      position: absolute;
      z-index: 5;
      inset-block-start: -1rem;
      min-block-size: 8rem;
    }
    .refused {
      position: absolute;
      z-index: 6;
      inset-block-start: 100%;
      inset-inline-start: 0;
      min-inline-size: 15rem;
      padding: 0.375rem 0.5rem;
      border-radius: 2px;
      background: var(--pl-signal);
      color: var(--pl-on-signal);
      font-size: 0.875rem;
      white-space: normal;
    }
  `,
})
export class CellEditor {
  readonly field = input.required<Field>();
  readonly value = input.required<unknown>();
  readonly context = input.required<ReadContext>();
  /** What was typed to open it, in the place of the value. */
  readonly typed = input('');
  /** The read value, null for empty, and where to go on. */
  readonly kept = output<{ readonly value: unknown; readonly onward: Onward }>();
  readonly dropped = output();

  protected readonly refused = signal('');
  protected readonly type = computed(() => fieldType(this.field().type));
  protected readonly isMultiple = computed(() => ['several-choices', 'categories'].includes(this.type().control));
  protected readonly options = computed(() => {
    const { control } = this.type();
    if (control === 'yes-no') return YES_NO;
    return control === 'one-choice' || this.isMultiple() ? (this.field().settings.choices ?? []) : null;
  });
  protected readonly chosen = computed((): readonly string[] => {
    const value = this.value();
    if (value === undefined) return [];
    if (typeof value === 'boolean') return [value ? 'yes' : 'no'];
    return Array.isArray(value) ? (value as string[]) : [String(value)];
  });
  protected readonly text = computed(() => {
    const value = this.value();
    const type = this.type();
    if (this.typed() !== '' && !this.moment()) return this.typed();
    if (!type.holds(value)) return '';
    return type.toInput?.(value, this.field(), this.context()) ?? type.toText(value, this.field());
  });
  protected readonly moment = computed(() => momentControl(this.field()));
  /** A moment as it is typed. */
  protected readonly draft = linkedSignal(() => this.text());

  private readonly control = viewChild<ElementRef<HTMLInputElement | HTMLSelectElement>>('control');
  private readonly momentInput = viewChild(MomentInput);
  private isDone = false;

  constructor() {
    afterNextRender(() => {
      this.momentInput()?.focus();
      const element = this.control()?.nativeElement;
      element?.focus();
      if (element instanceof HTMLInputElement && this.typed() === '') element.select();
    });
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Escape') {
      this.isDone = true;
      this.dropped.emit();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.keep(null);
    } else if (event.key === 'Tab') {
      event.preventDefault();
      this.keep(event.shiftKey ? 'previous' : 'next');
    }
  }

  protected keep(onward: Onward): void {
    if (this.isDone) return;
    const read = readRequired(this.input(), this.field(), this.context());
    if (!read.ok) {
      this.refused.set(read.issue.message);
      return;
    }
    this.isDone = true;
    this.kept.emit({ value: read.value, onward });
  }

  private input(): unknown {
    const element = this.control()?.nativeElement;
    if (!element) return this.draft();
    if (!this.isMultiple()) return element.value;
    return [...(element as HTMLSelectElement).selectedOptions].map(({ value }) => value);
  }
}

const YES_NO = [
  { key: 'yes', label: 'Yes' },
  { key: 'no', label: 'No' },
];
