import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Field, FieldSection, KindDefinition } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { firstFreeSlug } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';

/** The fields of a kind by section; dragged into another place or another section. */
@Component({
  selector: 'pl-field-list',
  imports: [DragDropModule, Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div cdkDropListGroup>
      @for (section of sections(); track section.key) {
        <section [attr.aria-label]="section.label || 'First part'">
          @if (section.key !== '') {
            <div class="section">
              <input
                class="plain-input"
                aria-label="Label of the section"
                [value]="section.label"
                (change)="setSection(section.key, { label: $any($event.target).value })"
              />
              <label>
                <input
                  type="checkbox"
                  [checked]="section.folded"
                  (change)="setSection(section.key, { folded: $any($event.target).checked })"
                />
                starts folded
              </label>
              <button
                matButton
                type="button"
                [attr.aria-label]="'Delete the section ' + section.label"
                (click)="removeSection(section.key)"
              >
                <pl-icon name="delete" />
              </button>
            </div>
          }
          <ul cdkDropList [cdkDropListData]="section.key" (cdkDropListDropped)="dropped($event)">
            @for (field of section.fields; track field.key) {
              <li cdkDrag [cdkDragData]="field.key" [class.here]="field.key === selected()">
                <pl-icon class="grip" name="drag_indicator" cdkDragHandle />
                <button
                  type="button"
                  class="open"
                  (click)="selectedChange.emit(field.key)"
                  (keydown.alt.arrowup)="step($event, field.key, -1)"
                  (keydown.alt.arrowdown)="step($event, field.key, 1)"
                >
                  <pl-icon [name]="iconOf(field)" />
                  <span class="label"
                    >{{ field.label || 'New field' }}
                    @if (field.required) {
                      <span class="mark" title="Required">*</span>
                    }
                  </span>
                  <span class="quiet type">{{ labelOf(field) }}</span>
                  <code>{{ field.key }}</code>
                  <span class="uses quiet">{{ usesOf(field) }}</span>
                </button>
              </li>
            } @empty {
              <li class="empty quiet">Drag a field here.</li>
            }
          </ul>
        </section>
      }
    </div>
    <div class="button-row">
      <button matButton="outlined" type="button" class="add" (click)="added.emit()">
        <pl-icon name="add" />Add a field
      </button>
      <button matButton type="button" (click)="linked.emit()"><pl-icon name="hub" />Link with another kind</button>
      <button matButton type="button" (click)="addSection()">Add a section</button>
    </div>
  `,
  styleUrl: './field-list.scss',
})
export class FieldList {
  readonly kind = input.required<KindDefinition>();
  /** Keys of the fields that stand on its card. */
  readonly onCard = input<readonly string[]>([]);
  readonly selected = input<string | null>(null);
  readonly selectedChange = output<string>();
  readonly kindChange = output<KindDefinition>();
  readonly added = output();
  readonly linked = output();

  protected readonly sections = computed(() => {
    const { fields, sections } = this.kind();
    const fieldsIn = (key: string): readonly Field[] => fields.filter(({ section }) => section === key);
    const first = { key: '', label: '', folded: false };
    return [first, ...sections].map((section) => ({ ...section, fields: fieldsIn(section.key) }));
  });

  protected iconOf({ type }: Field): string {
    return fieldType(type).icon;
  }

  protected labelOf({ type }: Field): string {
    return fieldType(type).label;
  }

  protected usesOf({ inTable, unique, showWhen, key }: Field): string {
    const isFacet = this.kind().facets.some(({ field }) => field === key);
    const uses = [
      inTable && 'table',
      this.onCard().includes(key) && 'card',
      isFacet && 'facet',
      unique && 'unique',
      showWhen && 'show-when',
    ];
    return uses.filter(Boolean).join(', ');
  }

  protected dropped({ item, container, currentIndex }: CdkDragDrop<string>): void {
    this.moveTo(String(item.data), container.data, currentIndex);
  }

  /** Moves by the keyboard: Alt and an arrow. */
  protected step(event: Event, key: string, by: number): void {
    event.preventDefault();
    const section = this.kind().fields.find((field) => field.key === key)?.section ?? '';
    const inSection = this.kind().fields.filter((field) => field.section === section);
    const to = inSection.findIndex((field) => field.key === key) + by;
    if (to >= 0 && to < inSection.length) this.moveTo(key, section, to);
  }

  private moveTo(key: string, section: string, position: number): void {
    const { fields } = this.kind();
    const moved = fields.find((field) => field.key === key);
    if (!moved) return;
    const others = fields.filter((field) => field.key !== key);
    const next = others.filter((field) => field.section === section)[position];
    const at = next ? others.indexOf(next) : others.length;
    this.kindChange.emit({
      ...this.kind(),
      fields: [...others.slice(0, at), { ...moved, section }, ...others.slice(at)],
    });
  }

  protected addSection(): void {
    const taken = this.kind().sections.map(({ key }) => key);
    const key = firstFreeSlug('section', (candidate) => taken.includes(candidate)).replaceAll('-', '_');
    const section: FieldSection = { key, label: 'New section', folded: false };
    this.kindChange.emit({ ...this.kind(), sections: [...this.kind().sections, section] });
  }

  protected setSection(key: string, change: Partial<FieldSection>): void {
    const sections = this.kind().sections.map((section) => (section.key === key ? { ...section, ...change } : section));
    this.kindChange.emit({ ...this.kind(), sections });
  }

  /** The fields of a section that goes move to the first part. */
  protected removeSection(key: string): void {
    const { sections, fields } = this.kind();
    this.kindChange.emit({
      ...this.kind(),
      sections: sections.filter((section) => section.key !== key),
      fields: fields.map((field) => (field.section === key ? { ...field, section: '' } : field)),
    });
  }
}
