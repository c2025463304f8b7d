import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { NgTemplateOutlet } from '@angular/common';
import type { TemplateRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Entry, Field, ReadContext } from '@plindo/core/structure';
import { fieldType, isEntry, subfieldsOf } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import type { PartContext } from './part-context';

const SUMMARY_PARTS = 3;

/** Rows of subfields: add, duplicate, fold, move by dragging or by buttons, delete. */
@Component({
  selector: 'pl-rows-control',
  imports: [DragDropModule, Icon, MatButtonModule, NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>
        {{ field().label }}{{ field().required ? ' (required)' : '' }} <span class="count">{{ entries().length }}</span>
      </legend>
      <div cdkDropList (cdkDropListDropped)="dropped($event)">
        @for (row of entries(); track $index; let at = $index, first = $first, last = $last) {
          <div class="row" cdkDrag [attr.aria-label]="'Row ' + (at + 1)" role="group">
            <div class="bar">
              <button type="button" class="grip" cdkDragHandle [attr.aria-label]="'Drag row ' + (at + 1)" tabindex="-1">
                <pl-icon name="drag_indicator" />
              </button>
              <button
                type="button"
                [attr.aria-expanded]="!isFolded(at)"
                [attr.aria-label]="'Fold row ' + (at + 1)"
                (click)="fold(at)"
              >
                <pl-icon [name]="isFolded(at) ? 'keyboard_arrow_right' : 'keyboard_arrow_down'" />
              </button>
              <span class="summary">{{ at + 1 }}. {{ isFolded(at) ? summaryOf(row) : '' }}</span>
              <button
                type="button"
                [disabled]="first"
                [attr.aria-label]="'Move row ' + (at + 1) + ' up'"
                (click)="move(at, at - 1)"
              >
                <pl-icon name="arrow_upward" />
              </button>
              <button
                type="button"
                [disabled]="last"
                [attr.aria-label]="'Move row ' + (at + 1) + ' down'"
                (click)="move(at, at + 1)"
              >
                <pl-icon name="arrow_downward" />
              </button>
              <button
                type="button"
                [disabled]="isFull()"
                [attr.aria-label]="'Duplicate row ' + (at + 1)"
                (click)="duplicate(at)"
              >
                <pl-icon name="content_copy" />
              </button>
              <button type="button" [attr.aria-label]="'Delete row ' + (at + 1)" (click)="remove(at)">
                <pl-icon name="delete" />
              </button>
            </div>
            @if (!isFolded(at)) {
              <div class="parts">
                @for (sub of subfields(); track sub.key) {
                  <ng-container [ngTemplateOutlet]="part()" [ngTemplateOutletContext]="contextOf(at, sub)" />
                }
              </div>
            }
          </div>
        }
      </div>
      <button matButton type="button" class="add" [disabled]="isFull()" (click)="add()">
        Add a row to {{ field().label }}
      </button>
    </fieldset>
  `,
  styleUrl: './parts.scss',
})
export class RowsControl {
  readonly field = input.required<Field>();
  readonly path = input.required<string>();
  readonly context = input.required<ReadContext>();
  readonly rows = input<unknown>();
  /** Draws the control of one subfield. */
  readonly part = input.required<TemplateRef<PartContext>>();
  readonly rowsChange = output<readonly Entry[]>();

  protected readonly subfields = computed(() => subfieldsOf(this.field()));
  protected readonly entries = computed((): readonly Entry[] => {
    const rows = this.rows();
    return Array.isArray(rows) ? rows.filter(isEntry) : [];
  });
  protected readonly isFull = computed(() => this.entries().length >= (this.field().settings.most ?? Infinity));
  private readonly folded = signal<ReadonlySet<number>>(new Set());

  protected contextOf(at: number, sub: Field): PartContext {
    return {
      $implicit: sub,
      value: this.entries()[at]?.[sub.key],
      path: `${this.path()}.${at}.${sub.key}`,
      tell: (value) =>
        this.rowsChange.emit(this.entries().map((row, other) => (other === at ? { ...row, [sub.key]: value } : row))),
    };
  }

  protected summaryOf(row: Entry): string {
    const { formats } = this.context();
    const texts = this.subfields().map((sub) => {
      const value = row[sub.key];
      if (fieldType(sub.type).holds(value)) return fieldType(sub.type).format(value, sub, formats);
      return typeof value === 'string' ? value : '';
    });
    return texts
      .filter((text) => text !== '')
      .slice(0, SUMMARY_PARTS)
      .join(' · ');
  }

  protected isFolded(at: number): boolean {
    return this.folded().has(at);
  }

  protected fold(at: number): void {
    const folded = new Set(this.folded());
    if (!folded.delete(at)) folded.add(at);
    this.folded.set(folded);
  }

  protected add(): void {
    const defaults = this.subfields().filter((sub) => sub.default !== null);
    this.tell([...this.entries(), Object.fromEntries(defaults.map((sub) => [sub.key, sub.default]))]);
  }

  protected duplicate(at: number): void {
    this.tell(this.entries().flatMap((row, other) => (other === at ? [row, { ...row }] : [row])));
  }

  protected remove(at: number): void {
    this.tell(this.entries().filter((_, other) => other !== at));
  }

  protected move(from: number, to: number): void {
    const rows = [...this.entries()];
    const [row] = rows.splice(from, 1);
    if (row) rows.splice(to, 0, row);
    this.tell(rows);
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex !== currentIndex) this.move(previousIndex, currentIndex);
  }

  /** Rows that moved aren't where they were folded, so all are unfolded. */
  private tell(rows: readonly Entry[]): void {
    this.folded.set(new Set());
    this.rowsChange.emit(rows);
  }
}
