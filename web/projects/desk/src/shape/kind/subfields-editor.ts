import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Field, FieldTypeName } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES, fieldType, hasSubfields, makeField } from '@plindo/core/structure';
import { firstFreeSlug, keyOf } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { FieldSettingsEditor } from './field-settings';

/** The fields inside a group or rows. Groups and rows can stand in one another once, so this shows itself once more. */
@Component({
  selector: 'pl-subfields-editor',
  imports: [DragDropModule, FieldSettingsEditor, Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>Fields inside</legend>
      <div cdkDropList (cdkDropListDropped)="dropped($event)">
        @for (sub of fields(); track $index; let at = $index) {
          <div class="sub" cdkDrag>
            <div class="bar">
              <pl-icon name="drag_indicator" cdkDragHandle />
              <input
                class="plain-input"
                [attr.aria-label]="'Label of field ' + (at + 1) + ' inside'"
                placeholder="Label"
                [value]="sub.label"
                (change)="rename(at, $any($event.target).value)"
              />
              <select
                class="plain-select"
                [attr.aria-label]="'Type of field ' + (at + 1) + ' inside'"
                [disabled]="keptKeys().includes(sub.key)"
                (change)="set(at, { type: $any($event.target).value, settings: {} })"
              >
                @for (type of types(); track type) {
                  <option [value]="type" [selected]="type === sub.type">{{ labelOf(type) }}</option>
                }
              </select>
              <label
                ><input
                  type="checkbox"
                  [checked]="sub.required"
                  (change)="set(at, { required: $any($event.target).checked })"
                />
                required</label
              >
              <button
                matButton
                type="button"
                [attr.aria-expanded]="open() === at"
                (click)="open.set(open() === at ? -1 : at)"
              >
                Settings
              </button>
              <button matButton type="button" [attr.aria-label]="'Remove ' + sub.label" (click)="remove(at)">
                <pl-icon name="delete" />
              </button>
            </div>
            @if (open() === at) {
              <div class="inner">
                <pl-field-settings [field]="sub" (settingsChange)="set(at, { settings: $event })" />
                @if (isNesting(sub)) {
                  <pl-subfields-editor
                    [fields]="sub.settings.fields ?? []"
                    [keptKeys]="[]"
                    [isInner]="true"
                    (fieldsChange)="set(at, { settings: withFields(sub, $event) })"
                  />
                }
              </div>
            }
          </div>
        }
      </div>
      <button matButton type="button" (click)="add()">Add a field inside</button>
    </fieldset>
  `,
  styles: `
    fieldset {
      margin: 0;
      padding: 0.5rem 0.75rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .sub {
      padding-block: 0.375rem;
      background: var(--pl-raised);
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      gap: 0.375rem;
      align-items: center;
    }
    .bar .plain-input {
      flex: 1 1 7rem;
      min-inline-size: 6rem;
    }
    .inner {
      display: grid;
      gap: 0.75rem;
      padding: 0.5rem 0 0.5rem 1.5rem;
    }
  `,
})
export class SubfieldsEditor {
  readonly fields = input.required<readonly Field[]>();
  /** Keys of subfields that listings may hold values of; their type stays. */
  readonly keptKeys = input.required<readonly string[]>();
  /** Whether these stand in a group that stands in another one. */
  readonly isInner = input(false);
  readonly fieldsChange = output<readonly Field[]>();

  protected readonly isNesting = hasSubfields;
  protected readonly open = signal(-1);
  protected readonly types = computed(() =>
    FIELD_TYPE_NAMES.filter((type) => fieldType(type).nests !== false && !(hasSubfields({ type }) && this.isInner())),
  );

  protected labelOf(type: FieldTypeName): string {
    return fieldType(type).label;
  }

  protected withFields({ settings }: Field, fields: readonly Field[]): Field['settings'] {
    return { ...settings, fields };
  }

  protected add(): void {
    const taken = this.fields().map(({ key }) => key);
    const key = firstFreeSlug('field', (candidate) => taken.includes(candidate)).replaceAll('-', '_');
    this.fieldsChange.emit([...this.fields(), makeField({ key, label: '', type: 'short-text' })]);
  }

  /** A subfield that holds no values yet takes its key from its label. */
  protected rename(at: number, label: string): void {
    const sub = this.fields()[at];
    if (!sub || this.keptKeys().includes(sub.key)) {
      this.set(at, { label });
      return;
    }
    const taken = this.fields()
      .filter((_, other) => other !== at)
      .map(({ key }) => key);
    const key = firstFreeSlug(keyOf(label), (candidate) => taken.includes(candidate.replaceAll('-', '_')));
    this.set(at, { label, key: key.replaceAll('-', '_') });
  }

  protected set(at: number, change: Partial<Field>): void {
    this.fieldsChange.emit(this.fields().map((sub, other) => (other === at ? { ...sub, ...change } : sub)));
  }

  protected remove(at: number): void {
    this.fieldsChange.emit(this.fields().filter((_, other) => other !== at));
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const fields = [...this.fields()];
    moveItemInArray(fields, previousIndex, currentIndex);
    this.fieldsChange.emit(fields);
  }
}
