import { NgTemplateOutlet } from '@angular/common';
import type { TemplateRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Entry, Field } from '@plindo/core/structure';
import { isEntry, subfieldsOf } from '@plindo/core/structure';
import type { PartContext } from './part-context';

/** The fields of a group, each with its own control. */
@Component({
  selector: 'pl-group-control',
  imports: [NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>{{ field().label }}{{ field().required ? ' (required)' : '' }}</legend>
      <div class="parts">
        @for (sub of subfields(); track sub.key) {
          <ng-container [ngTemplateOutlet]="part()" [ngTemplateOutletContext]="contextOf(sub)" />
        }
      </div>
    </fieldset>
  `,
  styleUrl: './parts.scss',
})
export class GroupControl {
  readonly field = input.required<Field>();
  readonly path = input.required<string>();
  readonly entry = input<unknown>();
  /** Draws the control of one subfield. */
  readonly part = input.required<TemplateRef<PartContext>>();
  readonly entryChange = output<Entry>();

  protected readonly subfields = computed(() => subfieldsOf(this.field()));
  private readonly values = computed((): Entry => {
    const entry = this.entry();
    return isEntry(entry) ? entry : {};
  });

  protected contextOf(sub: Field): PartContext {
    return {
      $implicit: sub,
      value: this.values()[sub.key],
      path: `${this.path()}.${sub.key}`,
      tell: (value) => this.entryChange.emit({ ...this.values(), [sub.key]: value }),
    };
  }
}
