import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  effect,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { SuggestionModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

/** The search of a page, with what fits while words are being typed. Without scripts it is a plain field of its form. */
@Component({
  selector: 'pl-search-box',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="search">
      <pl-icon name="search" />
      <input
        #field
        type="search"
        [name]="name()"
        [attr.form]="form()"
        autocomplete="off"
        [value]="shown()"
        [attr.aria-label]="label()"
        [placeholder]="placeholder()"
        [attr.role]="interactive() ? 'combobox' : null"
        [attr.aria-expanded]="interactive() ? isOpen() : null"
        [attr.aria-controls]="isOpen() ? form() + '-suggestions' : null"
        [attr.aria-autocomplete]="interactive() ? 'list' : null"
        [attr.aria-activedescendant]="isOpen() && current() >= 0 ? form() + '-suggestion-' + current() : null"
        (input)="type(field.value)"
        (keydown)="steer($event)"
        (blur)="hide()"
      />
      <button type="submit" class="go" [attr.form]="form()">{{ say('search.go') }}</button>
    </div>
    @if (isOpen()) {
      <ul id="{{ form() }}-suggestions" role="listbox" [attr.aria-label]="say('search.fits', { text: field.value })">
        @for (one of suggestions(); track one.href + one.label; let at = $index) {
          <li
            role="option"
            id="{{ form() }}-suggestion-{{ at }}"
            [attr.aria-selected]="at === current()"
            (mousedown)="choose(one, $event)"
          >
            <span class="label">{{ one.label }}</span>&ngsp;<span class="about"
              >{{ one.about }}{{ one.count === null ? '' : ', ' + one.count }}</span
            >
          </li>
        }
      </ul>
    }
  `,
})
export class SearchBox {
  readonly text = input.required<string>();
  readonly label = input.required<string>();
  readonly placeholder = input('');
  /** The form that it is part of, and what it is called in it. */
  readonly form = input.required<string>();
  readonly name = input.required<string>();
  readonly interactive = input(false);
  readonly suggestions = input<readonly SuggestionModel[]>([]);
  readonly typed = output<string>();
  /** The address of a suggestion that was chosen. */
  readonly chosen = output<string>();
  protected readonly say = sayOnPage();

  /** Words that were typed, and whose answers may still be on their way. */
  private readonly underway = new Set<string>();
  /** An answer to earlier words doesn't take away what was typed since. */
  protected readonly shown = linkedSignal<string, string>({
    source: this.text,
    computation: (text, previous) => {
      const isLate = previous !== undefined && text !== this.field().nativeElement.value && this.underway.has(text);
      if (isLate) return previous.value;
      this.underway.clear();
      return text;
    },
  });
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly isWanted = signal(false);
  protected readonly current = signal(-1);

  constructor() {
    effect(() => {
      this.suggestions();
      this.current.set(-1);
    });
  }

  protected isOpen(): boolean {
    return this.interactive() && this.isWanted() && this.suggestions().length > 0;
  }

  protected type(text: string): void {
    this.underway.add(text);
    this.typed.emit(text);
    this.isWanted.set(text.trim() !== '');
  }

  protected hide(): void {
    this.isWanted.set(false);
  }

  protected choose({ href }: SuggestionModel, event: Event): void {
    event.preventDefault();
    this.hide();
    this.chosen.emit(href);
  }

  /** Arrows go through the suggestions, Enter takes the current one, Escape closes them. */
  protected steer(event: KeyboardEvent): void {
    if (!this.isOpen()) return;
    const count = this.suggestions().length;
    const current = this.suggestions()[this.current()];
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const step = event.key === 'ArrowDown' ? 1 : -1;
      this.current.set(((this.current() + step + 1 + count + 1) % (count + 1)) - 1);
    } else if (event.key === 'Enter') {
      if (current) this.choose(current, event);
      this.hide();
    } else if (event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      this.hide();
    }
  }
}
