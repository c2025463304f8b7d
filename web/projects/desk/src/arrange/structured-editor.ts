import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { KindDefinition, StructuredKind, StructuredTypeName } from '@plindo/core/structure';
import {
  STRUCTURED_TYPE_NAMES,
  fieldsForProperty,
  missingStructure,
  proposedFields,
  structuredKind,
  structuredTypeOf,
} from '@plindo/core/structure';

/** What the listings of a kind are for search engines: a type of schema.org, and which field fills which property. */
@Component({
  selector: 'pl-structured-editor',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = structured();
    <label>
      Each is
      <select class="plain-select" (change)="setType($any($event.target).value)">
        <option value="" [selected]="own.type === ''">nothing that they know</option>
        @for (one of types; track one.name) {
          <option [value]="one.name" [selected]="own.type === one.name">{{ one.label }} ({{ one.name }})</option>
        }
      </select>
    </label>
    @if (kind().structured === null) {
      <p class="quiet">Plindo thinks so, from the fields.</p>
    } @else {
      <button matButton type="button" (click)="structuredChange.emit(null)">Take what Plindo proposes</button>
    }
    @for (one of properties(); track one.property.name) {
      <label>
        {{ one.property.label }}
        <select class="plain-select" (change)="setField(one.property.name, $any($event.target).value)">
          <option value="" [selected]="!own.fields[one.property.name]">not told</option>
          @for (field of one.fields; track field.key) {
            <option [value]="field.key" [selected]="own.fields[one.property.name] === field.key">
              {{ field.label }}
            </option>
          }
        </select>
      </label>
    }
    @if (missing()) {
      <p class="missing" role="status">Search engines want {{ missing() }} as well.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    label {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 0.5rem;
      align-items: center;
      inline-size: 100%;
    }
    select {
      min-inline-size: 0;
    }
    .missing {
      padding: 0.5rem 0.75rem;
      background: var(--pl-warm-wash);
    }
  `,
})
export class StructuredEditor {
  readonly kind = input.required<KindDefinition>();
  readonly structuredChange = output<StructuredKind | null>();

  protected readonly types = STRUCTURED_TYPE_NAMES.map((name) => ({ name, label: structuredTypeOf(name).label }));
  protected readonly structured = computed(() => structuredKind(this.kind()));
  protected readonly properties = computed(() => {
    const { type } = this.structured();
    if (type === '') return [];
    const offered = structuredTypeOf(type).properties.map((property) => ({
      property,
      fields: fieldsForProperty(property, this.kind()),
    }));
    return offered.filter(({ fields }) => fields.length > 0);
  });
  protected readonly missing = computed(() =>
    missingStructure(this.structured())
      .map(({ label }) => label)
      .join(' and '),
  );

  protected setType(name: string): void {
    const type = STRUCTURED_TYPE_NAMES.find((one): one is StructuredTypeName => one === name) ?? '';
    this.structuredChange.emit({ type, fields: type === '' ? {} : proposedFields(type, this.kind()) });
  }

  protected setField(property: string, key: string): void {
    const { type, fields } = this.structured();
    const { [property]: _, ...others } = fields;
    this.structuredChange.emit({ type, fields: key === '' ? others : { ...others, [property]: key } });
  }
}
