import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { TextPart, TextWithValues, ValueInText } from '@plindo/core/design';
import { fieldOfValue, isValue, makeValueInText } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { keyOfShowable, showableGroups } from './showable';
import { ValueSettings } from './value-settings';

/** A text with values in it, as a line of words and chips; what is said of a chosen chip stands below. */
@Component({
  selector: 'pl-text-editor',
  imports: [Icon, ValueSettings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="line" role="group" [attr.aria-label]="label()">
      @for (part of text(); track $index; let at = $index) {
        @if (asValue(part); as value) {
          <span class="chip" [class.here]="chosen() === at">
            <button
              type="button"
              [attr.aria-expanded]="chosen() === at"
              (click)="choose(at)"
              (keydown)="key($event, at)"
            >
              {{ nameOf(value) }}
            </button>
            <button type="button" class="out" [attr.aria-label]="'Remove ' + nameOf(value)" (click)="remove(at)">
              <pl-icon name="close" />
            </button>
          </span>
        } @else {
          <span class="words">
            <input
              class="plain-input"
              type="text"
              maxlength="500"
              aria-label="Words"
              [size]="sizeOf(part)"
              [value]="wordsOf(part)"
              (input)="put(at, { words: $any($event.target).value })"
              (keydown)="key($event, at)"
            />
            <button type="button" class="out" aria-label="Remove these words" (click)="remove(at)">
              <pl-icon name="close" />
            </button>
          </span>
        }
      } @empty {
        <span class="quiet">Nothing yet.</span>
      }
    </div>
    <div class="add">
      <button type="button" class="link-button" (click)="add({ words: '' })">Add words</button>
      @if (groups().length) {
        <select class="plain-select" #added aria-label="Add a value" (change)="addValue(added)">
          <option value="" selected>Add a value …</option>
          @for (group of groups(); track group.label) {
            <optgroup [label]="group.label">
              @for (one of group.of; track keyOf(one)) {
                <option [value]="keyOf(one)">{{ one.label }}</option>
              }
            </optgroup>
          }
        </select>
      }
    </div>
    @if (chosenValue(); as value) {
      @if (kind(); as kind) {
        <pl-value-settings [value]="value" [kind]="kind" [kinds]="kinds()" (changed)="put(chosen()!, $event)" />
      }
    }
  `,
  styleUrl: './text-editor.scss',
})
export class TextEditor {
  readonly text = input.required<TextWithValues>();
  /** The kind of the listing whose values can stand in it; null for words alone. */
  readonly kind = input.required<Kind | null>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly label = input('Text');
  readonly textChange = output<TextWithValues>();

  protected readonly keyOf = keyOfShowable;
  /** Position of the chip that is chosen. */
  private readonly picked = signal<number | null>(null);
  /** The only chip is chosen by itself. */
  protected readonly chosen = computed(() => {
    const only = this.text().length === 1 ? 0 : null;
    return this.picked() ?? only;
  });
  protected readonly chosenValue = computed(() => {
    const part = this.text()[this.chosen() ?? -1];
    return part && isValue(part) ? part : null;
  });
  protected readonly groups = computed(() => showableGroups(this.kind(), this.kinds()));

  protected asValue(part: TextPart): ValueInText | null {
    return isValue(part) ? part : null;
  }

  protected wordsOf(part: TextPart): string {
    return isValue(part) ? '' : part.words;
  }

  protected sizeOf(part: TextPart): number {
    return Math.min(30, Math.max(3, this.wordsOf(part).length + 1));
  }

  protected nameOf(value: ValueInText): string {
    const field = fieldOfValue(value, this.kind() ?? { fields: [] }, (id) =>
      this.kinds().find((kind) => kind.id === id),
    );
    return field?.label ?? `${value.field} (gone)`;
  }

  protected choose(at: number): void {
    this.picked.set(at);
  }

  protected addValue(list: HTMLSelectElement): void {
    const found = this.groups()
      .flatMap(({ of }) => of)
      .find((one) => keyOfShowable(one) === list.value);
    list.value = '';
    if (found) this.add(makeValueInText({ field: found.field.key, through: found.through }));
  }

  protected add(part: TextPart): void {
    this.picked.set(this.text().length);
    this.textChange.emit([...this.text(), part]);
  }

  protected put(at: number, part: TextPart): void {
    this.textChange.emit(this.text().map((other, position) => (position === at ? part : other)));
  }

  protected remove(at: number): void {
    this.picked.set(null);
    this.textChange.emit(this.text().filter((_, position) => position !== at));
  }

  /** Alt and an arrow move a part; Delete takes out a chip. */
  protected key(event: KeyboardEvent, at: number): void {
    const isWords = event.target instanceof HTMLInputElement;
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (event.altKey && by !== undefined) this.move(at, at + by);
    else if (event.key === 'Delete' && !isWords) this.remove(at);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  private move(from: number, to: number): void {
    if (to < 0 || to >= this.text().length) return;
    const parts = [...this.text()];
    parts.splice(to, 0, ...parts.splice(from, 1));
    this.picked.set(to);
    this.textChange.emit(parts);
  }
}
