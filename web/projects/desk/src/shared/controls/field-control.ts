import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Field, ReadContext } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { unitSymbol } from '@plindo/core/values';
import { MomentInput } from '../moments/moment-input';
import { CategoriesControl } from './categories-control';
import { ColourControl } from './colour-control';
import { FileControl } from './file-control';
import { GroupControl } from './group-control';
import { LinkControl } from './link-control';
import { PictureControl } from './picture-control';
import { PicturesControl } from './pictures-control';
import { PlaceControl } from './place-control';
import { RangeControl } from './range-control';
import { RatingControl } from './rating-control';
import { RichTextControl } from './rich-text-control';
import { RowsControl } from './rows-control';

/**
 * The control of one field in a form, chosen by its type. It tells the raw input; the form reads and checks it. The
 * fields inside groups and rows have controls of this same kind.
 */
@Component({
  selector: 'pl-field-control',
  imports: [
    CategoriesControl,
    ColourControl,
    FileControl,
    GroupControl,
    LinkControl,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    MomentInput,
    NgTemplateOutlet,
    PictureControl,
    PicturesControl,
    PlaceControl,
    RangeControl,
    RatingControl,
    RichTextControl,
    RowsControl,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './field-control.html',
  styleUrl: './field-control.scss',
})
export class FieldControl {
  readonly field = input.required<Field>();
  readonly context = input.required<ReadContext>();
  /** Where the value stands: the field's key, or "tariff.2.price" inside rows. */
  readonly path = input.required<string>();
  /** Raw input: a typed value as it is kept, or what has been typed since. */
  readonly input = input<unknown>();
  /** Issues of the whole form. */
  readonly issues = input<readonly Issue[]>([]);
  readonly inputChange = output<unknown>();

  protected readonly type = computed(() => fieldType(this.field().type));
  protected readonly problem = computed(() => this.issues().find(({ field }) => field === this.path())?.message ?? '');
  protected readonly label = computed(() =>
    this.field().required ? `${this.field().label} (required)` : this.field().label,
  );
  protected readonly text = computed(() => {
    const input = this.input();
    const type = this.type();
    if (typeof input === 'string' && !(type.toInput && type.holds(input))) return input;
    if (typeof input === 'number') return String(input);
    if (!type.holds(input)) return '';
    return type.toInput?.(input, this.field(), this.context()) ?? type.toText(input, this.field());
  });
  protected readonly inputType = computed(() => this.type().inputType ?? 'text');
  protected readonly placeholder = computed(() => {
    const { placeholder, type, settings } = this.field();
    return placeholder || (type === 'reference' ? `given out by itself: ${settings.pattern ?? '####'}` : '');
  });
  protected readonly suffix = computed(() => {
    const { type, settings } = this.field();
    // A unit that was typed counts; the field's own stands behind a bare number.
    if (type === 'measure') return /\p{L}|°/u.test(this.text()) ? '' : unitSymbol(settings.unit ?? 'm');
    return type === 'money' ? (settings.currency ?? '') : (settings.after ?? '');
  });
  protected readonly computed = computed(() => {
    const input = this.input();
    return this.type().holds(input) ? this.type().format(input, this.field(), this.context().formats) : '–';
  });
}
