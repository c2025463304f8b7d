import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { PieceChoices, ShownWhen } from '@plindo/core/design';
import { SCREENS, VIEWERS } from '@plindo/core/design';
import type { ConditionGroup } from '@plindo/core/structure';
import { ConditionEditor } from '../selections/condition-editor';
import { ChoicesControl } from './choices-control';

const EVERYTHING: ConditionGroup = { join: 'all', of: [] };
const SCREEN_WORDS: Readonly<Record<ShownWhen['screens'], string>> = {
  ...{ all: 'on all screens', narrow: 'on narrow screens only', wide: 'on wide screens only' },
  none: 'nowhere, for now',
};
const VIEWER_WORDS: Readonly<Record<ShownWhen['viewer'], string>> = {
  ...{ anyone: 'to anyone', visitor: 'to visitors only', 'signed-in': 'to people who have signed in only' },
};

/** When a strip or a piece is shown: for which listings, categories and choices, on which screens, and to whom. */
@Component({
  selector: 'pl-shown-when-settings',
  imports: [ChoicesControl, ConditionEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shown-when-settings.html',
  styleUrl: '../design/settings.scss',
})
export class ShownWhenSettings {
  readonly shown = input.required<ShownWhen>();
  readonly choices = input.required<PieceChoices>();
  /** For how many listings the condition holds: "41 of 153"; empty while that is not known. */
  readonly count = input('');
  readonly changed = output<Partial<ShownWhen>>();

  protected readonly screens = SCREENS.map((key) => ({ key, label: SCREEN_WORDS[key] }));
  protected readonly viewers = VIEWERS.map((key) => ({ key, label: VIEWER_WORDS[key] }));
  protected readonly condition = computed(() => this.shown().showWhen ?? EVERYTHING);
  protected readonly categories = computed(() => {
    const { listKind, serves } = this.choices();
    if (serves !== 'category') return [];
    const fields = listKind?.fields.filter(({ type }) => type === 'categories') ?? [];
    return fields.flatMap(({ settings }) => (settings.choices ?? []).map(({ key, label }) => ({ key, label })));
  });
  protected readonly facets = computed(() => {
    const { areas, facetsOf } = this.choices();
    return areas.flatMap((area) =>
      facetsOf(area).map(({ key, label }) => ({ area, facet: key, label: area === '' ? label : `${label} (${area})` })),
    );
  });

  protected setCondition(group: ConditionGroup): void {
    this.changed.emit({ showWhen: group.of.length === 0 ? null : group });
  }

  /** Shown once something, or nothing, is chosen in a facet. */
  protected addChosen(list: HTMLSelectElement): void {
    const found = this.facets()[Number(list.value)];
    list.value = '';
    if (!found) return;
    const test = { list: found.area, facet: found.facet, values: [], not: false };
    this.changed.emit({ chosen: [...this.shown().chosen, test] });
  }

  protected negate(at: number, not: boolean): void {
    this.changed.emit({ chosen: this.shown().chosen.map((test, other) => (other === at ? { ...test, not } : test)) });
  }

  protected removeChosen(at: number): void {
    this.changed.emit({ chosen: this.shown().chosen.filter((_, other) => other !== at) });
  }

  protected facetLabel(area: string, key: string): string {
    return this.facets().find((one) => one.area === area && one.facet === key)?.label ?? `${key} (gone)`;
  }
}
