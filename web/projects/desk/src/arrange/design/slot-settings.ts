import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Slot } from '@plindo/core/design';
import {
  LEADING_TYPES,
  LEADS_TO_LISTING,
  LEADS_TO_NOTHING,
  LEADS_TO_VALUE,
  SLOT_FORMS,
  SLOT_SIZES,
  SLOT_TONES,
  isTitleSlot,
  ownIcon,
  ownLabel,
} from '@plindo/core/design';
import type { ConditionGroup, Kind, KindById } from '@plindo/core/structure';
import { ICON_NAMES } from '@plindo/listing-view';
import { TextEditor } from './text-editor';
import { ConditionEditor } from '../selections/condition-editor';

const SIZE_WORDS: Readonly<Record<Slot['size'], string>> = {
  ...{ tiny: 'tiny', small: 'small', normal: 'normal', large: 'large', larger: 'larger', largest: 'largest' },
};
const TONE_WORDS: Readonly<Record<Slot['tone'], string>> = {
  ...{ plain: 'as text', quiet: 'quiet', accent: 'as links', warm: 'as featured' },
};
const FORM_WORDS: Readonly<Record<Slot['form'], string>> = {
  ...{ words: 'as words', own: 'in the manner of its type', tag: 'as a tag', button: 'as a button' },
};
const EVERYTHING: ConditionGroup = { join: 'all', of: [] };

/** What is said of the slot that is chosen. What matters first, the rest behind "More". */
@Component({
  selector: 'pl-slot-settings',
  imports: [ConditionEditor, TextEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './slot-settings.html',
  styleUrl: './settings.scss',
})
export class SlotSettings {
  readonly slot = input.required<Slot>();
  /** The kind of the listing that it shows something of; null for a page without one. */
  readonly kind = input.required<Kind | null>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly changed = output<Partial<Slot>>();

  protected readonly sizes = SLOT_SIZES.map((size) => ({ key: size, label: SIZE_WORDS[size] }));
  protected readonly tones = SLOT_TONES.map((tone) => ({ key: tone, label: TONE_WORDS[tone] }));
  protected readonly forms = SLOT_FORMS.map((form) => ({ key: form, label: FORM_WORDS[form] }));
  protected readonly icons = ICON_NAMES;
  protected readonly isTitle = computed(() => isTitleSlot(this.slot()));
  private readonly fields = computed(() => this.kind() ?? { fields: [] });
  private readonly kindById: KindById = (id) => this.kinds().find((kind) => kind.id === id);
  protected readonly typeLabel = computed(() => ownLabel(this.slot().text, this.fields(), this.kindById));
  protected readonly typeIcon = computed(() => ownIcon(this.slot().text, this.fields(), this.kindById));
  protected readonly leads = computed(() => [
    { key: LEADS_TO_NOTHING, label: 'nothing' },
    { key: LEADS_TO_LISTING, label: 'the listing’s page' },
    { key: LEADS_TO_VALUE, label: 'what it shows' },
    ...this.fields()
      .fields.filter(({ type }) => LEADING_TYPES.includes(type))
      .map(({ key, label }) => ({ key, label })),
  ]);
  protected readonly condition = computed(() => this.slot().showWhen ?? EVERYTHING);
  protected readonly labelMode = computed(() => modeOf(this.slot().label));
  protected readonly iconMode = computed(() => modeOf(this.slot().icon));

  protected set(change: Partial<Slot>): void {
    this.changed.emit(change);
  }

  /** "" for none, "own" for that of the field, "other" for one that is given. */
  protected setLabelMode(mode: string): void {
    this.set({ label: mode === 'own' ? null : mode === 'other' ? this.typeLabel() || 'Label' : '' });
  }

  protected setIconMode(mode: string): void {
    this.set({ icon: mode === 'own' ? null : mode === 'other' ? this.typeIcon() || 'star' : '' });
  }

  protected setLines(text: string): void {
    const lines = Math.trunc(Number(text));
    this.set({ lines: lines >= 1 ? Math.min(lines, 12) : null });
  }

  protected setShowWhen(group: ConditionGroup): void {
    this.set({ showWhen: group.of.length === 0 ? null : group });
  }
}

function modeOf(given: string | null): 'own' | 'other' | '' {
  if (given === null) return 'own';
  return given === '' ? '' : 'other';
}
