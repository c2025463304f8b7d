import { Clipboard } from '@angular/cdk/clipboard';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatSnackBar } from '@angular/material/snack-bar';
import type { Field, FieldSettings, KindDefinition } from '@plindo/core/structure';
import { controlsFor, facetFor, fieldByKey, fieldType, sortChoicesFor, usesOfField } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { Reading } from '../../shared/reading';
import { FieldControl } from '../../shared/controls/field-control';
import { ExpressionEditor } from './expression-editor';
import { FieldSettingsEditor } from './field-settings';
import { LinkSettings } from './link-settings';
import { ShowWhenEditor } from './show-when-editor';
import { SubfieldsEditor } from './subfields-editor';
import { TYPE_USES } from './type-descriptions';

/** All that can be said of one field. */
@Component({
  selector: 'pl-field-editor',
  imports: [
    ExpressionEditor,
    FieldControl,
    FieldSettingsEditor,
    Icon,
    LinkSettings,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    ShowWhenEditor,
    SubfieldsEditor,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './field-editor.html',
  styleUrl: './field-editor.scss',
})
export class FieldEditor {
  readonly field = input.required<Field>();
  readonly kind = input.required<KindDefinition>();
  /** The kind as it is kept; null for a new one. */
  readonly kept = input.required<{ readonly id: number; readonly fields: readonly Field[] } | null>();
  readonly kindChange = output<KindDefinition>();
  readonly labelChange = output<string>();
  readonly keyChange = output<string>();
  readonly typeChange = output();
  readonly removed = output();
  readonly copied = output();

  private readonly clipboard = inject(Clipboard);
  private readonly bar = inject(MatSnackBar);
  private readonly label = viewChild.required<ElementRef<HTMLElement>>('label');
  protected readonly context = inject(Reading).context;
  protected readonly type = computed(() => fieldType(this.field().type));
  protected readonly use = computed(() => TYPE_USES[this.field().type]);
  /** The field as it is kept, if it is. */
  protected readonly keptField = computed(() => {
    const kept = this.kept();
    return kept ? fieldByKey(kept, this.field().key) : undefined;
  });
  protected readonly keptKeys = computed(() => (this.keptField()?.settings.fields ?? []).map(({ key }) => key));
  protected readonly others = computed(() => this.kind().fields.filter(({ key }) => key !== this.field().key));
  protected readonly uses = computed(() => usesOfField(this.kind(), this.field().key));
  protected readonly hasValue = computed(() => this.type().control !== 'none');
  protected readonly canBeUnique = computed(() =>
    ['short-text', 'whole-number', 'decimal', 'web-address', 'email', 'phone', 'date'].includes(this.field().type),
  );
  protected readonly canBeDefault = computed(
    () =>
      !['picture', 'pictures', 'file', 'group', 'rows', 'computed', 'reference', 'link'].includes(this.field().type),
  );
  protected readonly canBeFacet = computed(() => controlsFor(this.field()).length > 0);
  protected readonly isFacet = computed(() => this.kind().facets.some(({ field }) => field === this.field().key));
  protected readonly sortChoices = computed(() => sortChoicesFor(this.field(), this.context().formats.words));
  protected readonly isSortChoice = computed(() => {
    const keys = this.sortChoices().map(({ key }) => key);
    return this.kind().sortChoices.some(({ key }) => keys.includes(key));
  });

  constructor() {
    // A field that was just added waits for its name.
    effect(() => {
      if (this.field().label === '') this.label().nativeElement.focus();
    });
  }

  protected copyKey(): void {
    this.clipboard.copy(this.field().key);
    this.bar.open(`Copied “${this.field().key}”`, undefined, { duration: 2000 });
  }

  protected set(change: Partial<Field>): void {
    const { key } = this.field();
    const fields = this.kind().fields.map((field) => (field.key === key ? { ...field, ...change } : field));
    this.kindChange.emit({ ...this.kind(), fields });
  }

  protected setSettings(settings: FieldSettings): void {
    this.set({ settings });
  }

  protected setExpression(expression: string): void {
    this.setSettings({ ...this.field().settings, expression });
  }

  protected setSubfields(fields: readonly Field[]): void {
    this.setSettings({ ...this.field().settings, fields });
  }

  protected setFacet(isOffered: boolean): void {
    const others = this.kind().facets.filter(({ field }) => field !== this.field().key);
    const facet = isOffered ? facetFor(this.field()) : null;
    this.kindChange.emit({ ...this.kind(), facets: facet ? [...others, facet] : others });
  }

  protected setSortChoice(isOffered: boolean): void {
    const own = this.sortChoices();
    const others = this.kind().sortChoices.filter(({ key }) => !own.some((choice) => choice.key === key));
    this.kindChange.emit({ ...this.kind(), sortChoices: isOffered ? [...others, ...own] : others });
  }
}
