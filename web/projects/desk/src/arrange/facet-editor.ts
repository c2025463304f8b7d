import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Facet, FacetControl } from '@plindo/core/structure';
import { choosesValues } from '@plindo/core/structure';
import { DISTANCE_UNITS } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { CONTROL_WORDS } from './facet-fields';

/** One facet of a kind with its settings, as a sentence that unfolds. */
@Component({
  selector: 'pl-facet-editor',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './facet-editor.html',
  styleUrl: './facet-editor.scss',
})
export class FacetEditor {
  readonly facet = input.required<Facet>();
  /** What it is over: "Harbour → Facilities". */
  readonly subject = input.required<string>();
  readonly controls = input.required<readonly FacetControl[]>();
  /** The other facets, one of which it can wait for. */
  readonly others = input.required<readonly Facet[]>();
  readonly isFirst = input(false);
  readonly changed = output<Facet>();
  readonly raised = output();
  readonly removed = output();

  protected readonly controlWords = CONTROL_WORDS;
  protected readonly units = Object.keys(DISTANCE_UNITS);
  protected readonly choosesValues = computed(() => choosesValues(this.facet().control));
  protected readonly canWantAll = computed(() => ['ticks', 'chips', 'tree'].includes(this.facet().control));
  protected readonly sentence = computed(() => {
    const { control, join, dependsOn } = this.facet();
    const all = join === 'all' ? '; all of what is chosen' : '';
    const waits = dependsOn ? `; once ${this.labelOf(dependsOn.facet)} is chosen` : '';
    return `${this.subject()}: ${CONTROL_WORDS[control]}${all}${waits}`;
  });

  protected put(change: Partial<Facet>): void {
    this.changed.emit({ ...this.facet(), ...change });
  }

  protected rename(label: string): void {
    if (label.trim() !== '' && label !== this.facet().label) this.put({ label: label.trim() });
  }

  /** A control for one value at a time has nothing to want all of. */
  protected setControl(control: FacetControl): void {
    this.put({ control, join: ['ticks', 'chips', 'tree'].includes(control) ? this.facet().join : 'any' });
  }

  protected setDependence(facet: string): void {
    this.put({ dependsOn: facet === '' ? null : { facet, value: null } });
  }

  protected setDependenceValue(value: string): void {
    const { dependsOn } = this.facet();
    if (dependsOn) this.put({ dependsOn: { ...dependsOn, value: value.trim() === '' ? null : value.trim() } });
  }

  protected setShownFirst(text: string): void {
    const shownFirst = Math.trunc(Number(text));
    if (shownFirst >= 1) this.put({ shownFirst });
  }

  private labelOf(key: string): string {
    return this.others().find((other) => other.key === key)?.label ?? key;
  }
}
