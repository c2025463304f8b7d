import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi } from '@plindo/api';
import type { Choice, Field } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { KindsStore } from '../kinds-store';
import { Notices } from '../notices';

interface Row {
  readonly choice: Choice;
  readonly depth: number;
}

/** Categories picked in their tree: narrowed by typing, and one that is missing is added on the spot. */
@Component({
  selector: 'pl-categories-control',
  imports: [Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="group" [attr.aria-label]="label()">
      <p class="label">{{ label() }}</p>
      @if (chosen().length) {
        <p class="chosen">
          @for (choice of chosen(); track choice.key) {
            <button
              type="button"
              class="chip-button"
              [attr.aria-label]="'Remove ' + choice.label"
              (click)="toggle(choice.key, false)"
            >
              {{ choice.label }}<pl-icon name="close" />
            </button>
          }
        </p>
      }
      <input
        class="plain-input"
        type="search"
        placeholder="Find or add a category"
        [attr.aria-label]="'Find a category of ' + label()"
        [value]="text()"
        (input)="text.set($any($event.target).value)"
        (keydown.enter)="$event.preventDefault()"
      />
      <div class="tree">
        @for (row of rows(); track row.choice.key) {
          <label [style.padding-inline-start.rem]="0.5 + row.depth * 1.25">
            <input
              type="checkbox"
              [checked]="keys().includes(row.choice.key)"
              (change)="toggle(row.choice.key, $any($event.target).checked)"
            />
            @if (row.choice.icon) {
              <pl-icon [name]="row.choice.icon" [style.color]="row.choice.colour ?? null" />
            }
            {{ row.choice.label }}
          </label>
        } @empty {
          <p class="quiet">No category is called so.</p>
        }
      </div>
      @if (canAdd()) {
        <button matButton type="button" (click)="add()"><pl-icon name="add" />Add “{{ text().trim() }}”</button>
      }
    </div>
  `,
  styles: `
    [role='group'] {
      display: grid;
      gap: 0.5rem;
      padding: 0.75rem 1rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .label {
      font-weight: 600;
    }
    .chosen {
      display: flex;
      flex-wrap: wrap;
      gap: 0.375rem;
    }
    .tree {
      display: grid;
      max-block-size: 14rem;
      overflow-y: auto;
    }
    .tree label {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-block-size: 2rem;
    }
  `,
})
export class CategoriesControl {
  readonly label = input.required<string>();
  readonly field = input.required<Field>();
  readonly input = input<unknown>();
  readonly inputChange = output<readonly string[]>();

  private readonly api = inject(CatalogApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  protected readonly text = signal('');
  private readonly choices = computed(() => this.field().settings.choices ?? []);
  protected readonly keys = computed((): readonly string[] => {
    const input = this.input();
    return Array.isArray(input) ? (input as string[]) : [];
  });
  protected readonly chosen = computed(() => this.choices().filter(({ key }) => this.keys().includes(key)));
  protected readonly rows = computed((): readonly Row[] => {
    const byKey = new Map(this.choices().map((choice) => [choice.key, choice]));
    const depthOf = ({ parent }: Choice): number => {
      const above = parent === undefined ? undefined : byKey.get(parent);
      return above ? depthOf(above) + 1 : 0;
    };
    const wanted = foldText(this.text().trim());
    return this.choices()
      .filter(({ label }) => foldText(label).includes(wanted))
      .map((choice) => ({ choice, depth: wanted === '' ? depthOf(choice) : 0 }));
  });
  protected readonly canAdd = computed(() => {
    const wanted = foldText(this.text().trim());
    return wanted !== '' && !this.choices().some(({ label }) => foldText(label) === wanted);
  });

  protected toggle(key: string, isChosen: boolean): void {
    const others = this.keys().filter((other) => other !== key);
    this.inputChange.emit(isChosen ? [...others, key] : others);
  }

  /** Adds the typed category at the top of the tree and chooses it. */
  protected add(): void {
    const label = this.text().trim();
    const set = this.field().settings.set ?? 0;
    this.api.addCategory(set, label, null).subscribe({
      next: ({ changeId, result }) => {
        const added = result.categories.findLast((category) => category.label === label);
        void this.kinds.reload().then(() => {
          this.text.set('');
          if (added) this.toggle(added.key, true);
        });
        this.notices.changed(`Added the category ${label}`, changeId, () => void this.kinds.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
