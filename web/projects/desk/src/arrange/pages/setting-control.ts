import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Control, PieceChoices, Slot, TextWithValues } from '@plindo/core/design';
import type { Kind, Picture } from '@plindo/core/structure';
import { PictureControl } from '../../shared/controls/picture-control';
import { RichTextControl } from '../../shared/controls/rich-text-control';
import { SlotsEditor } from '../design/slots-editor';
import { TextEditor } from '../design/text-editor';
import type { ButtonSetting } from './buttons-editor';
import { ButtonsEditor } from './buttons-editor';
import { ChoicesControl } from './choices-control';

/** Asks for one setting of a piece in the way that the sort of piece says. */
@Component({
  selector: 'pl-setting-control',
  imports: [ButtonsEditor, ChoicesControl, PictureControl, RichTextControl, SlotsEditor, TextEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './setting-control.html',
  styleUrl: '../design/settings.scss',
})
export class SettingControl {
  readonly control = input.required<Control<unknown, PieceChoices>>();
  readonly value = input.required<unknown>();
  /** All settings of the piece. */
  readonly settings = input.required<unknown>();
  readonly choices = input.required<PieceChoices>();
  /** The kind of the listings that a list shows; null for several or none. */
  readonly listedKind = input.required<Kind | null>();
  readonly changed = output<unknown>();

  protected readonly options = computed(() => {
    const control = this.control();
    return 'options' in control ? control.options(this.choices(), this.settings()) : [];
  });
  protected readonly slotsKind = computed(() => {
    const control = this.control();
    const isListed = control.as === 'slots' && control.shows === 'what is listed';
    return isListed ? this.listedKind() : this.choices().kind;
  });

  protected asText = (value: unknown): TextWithValues => value as TextWithValues;
  protected asSlots = (value: unknown): readonly Slot[] => value as readonly Slot[];
  protected asPicture = (value: unknown): Picture | null => value as Picture | null;
  protected asKeys = (value: unknown): readonly string[] => value as readonly string[];
  protected asButtons = (value: unknown): readonly ButtonSetting[] => value as readonly ButtonSetting[];
  protected asWords = (value: unknown): string => String(value);

  /** The key of the option that was chosen, as the number or text that it is. */
  protected choose(text: string): void {
    const option = this.options().find(({ key }) => String(key) === text);
    if (option) this.changed.emit(option.key);
  }

  protected setNumber(text: string): void {
    const control = this.control();
    const number = Number(text);
    if (control.as !== 'number' || text === '' || !Number.isFinite(number)) return;
    this.changed.emit(Math.min(control.greatest, Math.max(control.least, number)));
  }
}
