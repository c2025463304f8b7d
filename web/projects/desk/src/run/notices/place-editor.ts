import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Icon } from '@plindo/listing-view';

/** A value that a sentence can say, by its place. */
export interface SayablePlace {
  /** "title", "field.price" */
  readonly name: string;
  readonly label: string;
}

type Part = { readonly words: string } | { readonly place: string };

/** A sentence with places for values, as a line of words and chips. */
@Component({
  selector: 'pl-place-editor',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="label">{{ label() }}</p>
    <div class="line" role="group" [attr.aria-label]="label()">
      @for (part of parts(); track $index; let at = $index) {
        @if (placeOf(part); as place) {
          <span class="chip">
            <button type="button" (keydown.delete)="remove(at)">{{ nameOf(place) }}</button>
            <button type="button" class="out" [attr.aria-label]="'Remove ' + nameOf(place)" (click)="remove(at)">
              <pl-icon name="close" />
            </button>
          </span>
        } @else {
          <span class="words">
            <input
              class="plain-input"
              type="text"
              maxlength="400"
              aria-label="Words"
              [size]="sizeOf(part)"
              [value]="wordsOf(part)"
              (change)="put(at, $any($event.target).value)"
            />
          </span>
        }
      }
    </div>
    <div class="add">
      <button type="button" class="link-button" (click)="add(' … ')">Add words</button>
      <select
        class="plain-select"
        #added
        aria-label="Add a value"
        (change)="add('{' + added.value + '}'); added.value = ''"
      >
        <option value="" selected>Add a value …</option>
        @for (place of places(); track place.name) {
          <option [value]="place.name">{{ place.label }}</option>
        }
      </select>
    </div>
  `,
  styleUrl: '../../arrange/design/text-editor.scss',
})
export class PlaceEditor {
  readonly label = input.required<string>();
  /** With places in braces: "{title} has left the site". */
  readonly sentence = input.required<string>();
  readonly places = input.required<readonly SayablePlace[]>();
  readonly sentenceChange = output<string>();

  protected readonly parts = computed((): Part[] =>
    this.sentence()
      .split(/(\{[a-z-]+(?:\.[a-z0-9_]+)?\})/i)
      .filter((part) => part !== '')
      .map((part) => (/^\{.*\}$/.test(part) ? { place: part.slice(1, -1) } : { words: part })),
  );

  protected placeOf(part: Part): string {
    return 'place' in part ? part.place : '';
  }

  protected wordsOf(part: Part): string {
    return 'words' in part ? part.words : '';
  }

  protected sizeOf(part: Part): number {
    return Math.min(60, Math.max(3, this.wordsOf(part).length + 1));
  }

  protected nameOf(place: string): string {
    return this.places().find(({ name }) => name === place)?.label ?? `{${place}}`;
  }

  protected add(text: string): void {
    this.sentenceChange.emit(this.sentence() + text);
  }

  protected put(at: number, words: string): void {
    this.tell(this.parts().map((part, other) => (other === at ? { words } : part)));
  }

  protected remove(at: number): void {
    this.tell(this.parts().filter((_, other) => other !== at));
  }

  private tell(parts: readonly Part[]): void {
    this.sentenceChange.emit(parts.map((part) => ('place' in part ? `{${part.place}}` : part.words)).join(''));
  }
}
