import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import type { QuestionOption } from '@plindo/core/page';
import { sayOnPage } from '../page-words';
import type { FoundOption } from './form-calls';
import { findOptions } from './form-calls';

const TYPING_PAUSE_IN_MS = 250;

/** Which listings something is linked with: chosen among few, searched for among many, or named where no scripts run. */
@Component({
  selector: 'pl-link-question',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (options(); as few) {
      @if (many()) {
        <span class="choices" [class.many]="few.length > 12">
          @for (option of few; track option.value) {
            <label>
              <input
                type="checkbox"
                [name]="field()"
                [value]="option.value"
                [attr.checked]="answered().includes(option.value) ? '' : null"
              />
              {{ option.label }}
            </label>
          }
        </span>
      } @else {
        <select [name]="field()" [attr.aria-label]="label()">
          <option value="">{{ say('form.choose') }}</option>
          @for (option of few; track option.value) {
            <option [value]="option.value" [attr.selected]="answered().includes(option.value) ? '' : null">
              {{ option.label }}
            </option>
          }
        </select>
      }
    } @else {
      @for (one of own(); track one.value) {
        <span class="chosen">
          <input type="hidden" [name]="field()" [attr.value]="one.value" />
          {{ one.label }}
          @if (interactive()) {
            <button type="button" (click)="remove(one)" [attr.aria-label]="say('form.remove', { what: one.label })">
              ×
            </button>
          }
        </span>
      }
      @if (!interactive()) {
        <label>
          {{ say('form.link-names') }}
          <textarea [name]="field() + '.named'" rows="2"></textarea>
        </label>
      } @else if (many() || own().length === 0) {
        <label>
          {{ say('form.link-search') }}
          <input type="search" [value]="text()" (input)="type($event)" autocomplete="off" />
        </label>
        <span class="found" role="listbox" [attr.aria-label]="label()">
          @for (one of open(); track one.id) {
            <button type="button" role="option" aria-selected="false" (click)="add(one)">{{ one.title }}</button>
          }
        </span>
      }
    }
  `,
})
export class LinkQuestion {
  readonly field = input.required<string>();
  readonly label = input.required<string>();
  readonly many = input.required<boolean>();
  readonly options = input.required<readonly QuestionOption[] | null>();
  readonly chosen = input.required<readonly QuestionOption[]>();
  readonly answered = input.required<readonly string[]>();
  readonly action = input.required<string>();
  readonly interactive = input(false);
  readonly touched = output();

  protected readonly say = sayOnPage();
  protected readonly own = linkedSignal(() => this.chosen());
  protected readonly text = signal('');
  private readonly found = signal<readonly FoundOption[]>([]);
  protected readonly open = computed(() => {
    const taken = new Set(this.own().map(({ value }) => value));
    return this.found().filter(({ id }) => !taken.has(String(id)));
  });
  private typing: ReturnType<typeof setTimeout> | undefined;

  protected type({ target }: Event): void {
    const text = (target as HTMLInputElement).value;
    this.text.set(text);
    clearTimeout(this.typing);
    this.typing = setTimeout(() => void this.find(text), TYPING_PAUSE_IN_MS);
  }

  private async find(text: string): Promise<void> {
    const found = text.trim() === '' ? [] : await findOptions(this.action(), this.field(), text).catch(() => []);
    if (this.text() === text) this.found.set(found);
  }

  protected add({ id, title }: FoundOption): void {
    this.own.update((all) => [...all, { value: String(id), label: title, depth: 0 }]);
    this.text.set('');
    this.found.set([]);
    this.touched.emit();
  }

  protected remove(one: QuestionOption): void {
    this.own.update((all) => all.filter(({ value }) => value !== one.value));
    this.touched.emit();
  }
}
