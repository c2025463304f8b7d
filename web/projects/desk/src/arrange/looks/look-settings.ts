import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { ColourName, LookDesign, Unreadable } from '@plindo/core/design';
import {
  BUTTON_FORMS,
  COLOUR_LABELS,
  COLOUR_NAMES,
  CORNERS,
  DENSITIES,
  DEPTHS,
  PALETTES,
  PALETTE_NAMES,
  SCHEMES,
  TYPEFACES,
  TYPEFACES_NAMES,
  ownCssFaults,
  unreadable,
} from '@plindo/core/design';
import { labelFromKey } from './label-from-key';
import type { LookWork, Scheme } from './look-work';

const SCHEME_WORDS: Readonly<Record<LookDesign['scheme'], string>> = {
  ...{ system: 'as the visitor’s device has it', light: 'always light', dark: 'always dark' },
};
const CORNER_WORDS: Readonly<Record<LookDesign['corners'], string>> = {
  ...{ square: 'square', slight: 'a little round', round: 'round' },
};
const DENSITY_WORDS: Readonly<Record<LookDesign['density'], string>> = {
  ...{ compact: 'close', normal: 'normal', airy: 'airy' },
};
const DEPTH_WORDS: Readonly<Record<LookDesign['depth'], string>> = { hairline: 'a thin line', shadow: 'a shadow' };
const BUTTON_WORDS: Readonly<Record<LookDesign['buttons'], string>> = {
  ...{ 'as-corners': 'corners as everywhere', pill: 'wholly round ends' },
};

/** What is said of a look: palette, typefaces, forms, and colours of its own with what can't be read on what. */
@Component({
  selector: 'pl-look-settings',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './look-settings.html',
  styleUrls: ['../design/settings.scss', './look-settings.scss'],
})
export class LookSettings {
  readonly work = input.required<LookWork>();

  protected readonly look = computed(() => this.work().look());
  protected readonly palettes = PALETTE_NAMES.map((name) => ({ name, label: labelFromKey(name), ...PALETTES[name] }));
  protected readonly typefaces = TYPEFACES_NAMES.map((name) => {
    const [heading, text] = TYPEFACES[name];
    return { name, label: labelFromKey(name), heading, text };
  });
  protected readonly choices = [
    choice('corners', 'Corners', CORNERS, CORNER_WORDS),
    choice('density', 'Room between things', DENSITIES, DENSITY_WORDS),
    choice('depth', 'Cards stand out by', DEPTHS, DEPTH_WORDS),
    choice('buttons', 'Buttons have', BUTTON_FORMS, BUTTON_WORDS),
    choice('scheme', 'Light or dark', SCHEMES, SCHEME_WORDS),
  ];
  protected readonly schemes: readonly { readonly key: Scheme; readonly label: string }[] = [
    { key: 'light', label: 'Colours in the light' },
    { key: 'dark', label: 'Colours in the dark' },
  ];
  protected readonly colours = COLOUR_NAMES.map((name) => ({ name, label: COLOUR_LABELS[name] }));
  protected readonly faults = computed(() => unreadable(this.look()));
  protected readonly cssFaults = computed(() => ownCssFaults(this.look().css));

  /** The thing on which a colour can be read least, as the nearest colour for it is enough for the others too. */
  protected faultOf(scheme: Scheme, name: ColourName): (Unreadable & { words: string }) | undefined {
    const fault = this.faults()
      .filter((one) => one.scheme === scheme && one.text === name)
      .reduce<Unreadable | undefined>((least, one) => (least && least.ratio <= one.ratio ? least : one), undefined);
    return fault && { ...fault, words: `Can’t be read on ${COLOUR_LABELS[fault.ground]}.` };
  }
}

function choice<Key extends 'corners' | 'density' | 'depth' | 'buttons' | 'scheme'>(
  key: Key,
  label: string,
  values: readonly LookDesign[Key][],
  words: Readonly<Record<LookDesign[Key], string>>,
): { key: Key; label: string; options: readonly { key: LookDesign[Key]; label: string }[] } {
  return { key, label, options: values.map((value) => ({ key: value, label: words[value] })) };
}
