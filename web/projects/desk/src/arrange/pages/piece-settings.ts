import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Control, Piece, PieceChoices } from '@plindo/core/design';
import { pieceTypeOf } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';
import type { PageWork } from './page-work';
import { SettingControl } from './setting-control';
import { ShownWhenSettings } from './shown-when-settings';

interface Asked {
  readonly name: string;
  readonly control: Control<unknown, PieceChoices>;
  readonly value: unknown;
}

/** What is said of the piece that is chosen: what matters first, the rest behind "More". */
@Component({
  selector: 'pl-piece-settings',
  imports: [SettingControl, ShownWhenSettings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let choices = work().choices();
    <p class="quiet">{{ type().purpose }}.</p>
    @for (one of first(); track one.name) {
      <pl-setting-control
        [control]="one.control"
        [value]="one.value"
        [settings]="piece().settings"
        [choices]="choices"
        [listedKind]="listedKind()"
        (changed)="set(one.name, $event)"
      />
    }
    <details>
      <summary>More</summary>
      <div class="more">
        @for (one of more(); track one.name) {
          <pl-setting-control
            [control]="one.control"
            [value]="one.value"
            [settings]="piece().settings"
            [choices]="choices"
            [listedKind]="listedKind()"
            (changed)="set(one.name, $event)"
          />
        }
        <label>
          When it has nothing to show, say
          <input
            class="plain-input"
            maxlength="300"
            placeholder="nothing: it is left out"
            [value]="piece().nothing"
            (input)="work().changePiece({ nothing: $any($event.target).value })"
          />
        </label>
        <pl-shown-when-settings
          [shown]="piece()"
          [choices]="choices"
          [count]="count()"
          (changed)="work().changePiece($event)"
        />
      </div>
    </details>
  `,
  styleUrl: '../design/settings.scss',
})
export class PieceSettingsPane {
  readonly work = input.required<PageWork>();
  readonly piece = input.required<Piece>();
  /** For how many listings its condition holds. */
  readonly count = input('');

  protected readonly type = computed(() => pieceTypeOf(this.piece().type));
  private readonly asked = computed((): Asked[] => {
    const settings = this.piece().settings as Readonly<Record<string, unknown>>;
    return Object.entries(this.type().controls)
      .filter(([, { isAsked }]) => isAsked?.(settings) ?? true)
      .map(([name, control]) => ({ name, control, value: settings[name] }));
  });
  protected readonly first = computed(() => this.asked().filter(({ control }) => !control.isMore));
  protected readonly more = computed(() => this.asked().filter(({ control }) => control.isMore));
  protected readonly listedKind = computed((): Kind | null => {
    const { kind, listKind, kindById } = this.work().choices();
    return this.type().listed?.kind(this.piece().settings, listKind ?? kind, kindById) ?? null;
  });

  protected set(name: string, value: unknown): void {
    const { settle } = this.type();
    const changed = { ...this.piece().settings, [name]: value };
    const settings = (settle?.(changed, this.work().choices()) ?? changed) as Piece['settings'];
    this.work().changePiece({ settings }, name);
  }
}
