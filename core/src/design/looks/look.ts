import { readColour } from '../../structure/index.js';
import type { Setting, SettingsOf } from '../settings/setting.js';
import { group, oneOf, readSettings, setting, words } from '../settings/setting.js';
import type { ColourName, Colours, Palette } from './palettes.js';
import { COLOUR_NAMES, PALETTES, PALETTE_NAMES } from './palettes.js';

export const SCHEMES = ['system', 'light', 'dark'] as const;
export const CORNERS = ['square', 'slight', 'round'] as const;
export const DENSITIES = ['compact', 'normal', 'airy'] as const;
export const DEPTHS = ['hairline', 'shadow'] as const;
export const BUTTON_FORMS = ['as-corners', 'pill'] as const;

/** Pairs of typefaces, that of headings and that of text; all ship with Plindo, or with whatever shows the page. */
export const TYPEFACES = {
  // Two weights in files of their own are half as large as one file with all weights.
  shore: [faces('Bricolage Grotesque', 'sans-serif', 'Bricolage Grotesque'), faces('Figtree')],
  library: [faces('Source Serif 4', 'serif'), faces('Source Sans 3')],
  press: [faces('Literata', 'serif'), faces('Figtree')],
  notice: [faces('Outfit'), faces('Source Sans 3')],
  plain: ['system-ui, sans-serif', 'system-ui, sans-serif'],
} as const satisfies Record<string, readonly [headings: string, text: string]>;
export type TypefacesName = keyof typeof TYPEFACES;
export const TYPEFACES_NAMES = Object.keys(TYPEFACES) as readonly TypefacesName[];

/** A family with the face of the system that takes its room until it is there (`styles/_faces.scss`). */
function faces(family: string, otherwise = 'sans-serif', face = `${family} Variable`): string {
  return `'${face}', '${family} Stand-in', ${otherwise}`;
}

const LONGEST_CSS = 20_000;

/** A colour as #rrggbb, or '' for that of the palette. */
const colour: Setting<string> = setting('', 'a colour as #0f6e6a, or nothing', (input) => {
  if (input === '') return '';
  return (typeof input === 'string' && readColour(input)) || undefined;
});
const OWN_COLOURS = group(
  Object.fromEntries(COLOUR_NAMES.map((name) => [name, colour])) as Record<ColourName, Setting<string>>,
);

export const LOOK_FORM = {
  name: words(80),
  purpose: words(300),
  palette: oneOf(PALETTE_NAMES, 'estuary'),
  /** Colours in the place of those of the palette. */
  light: OWN_COLOURS,
  dark: OWN_COLOURS,
  /** Light, dark, or as the visitor's system has it. */
  scheme: oneOf(SCHEMES, 'system'),
  typefaces: oneOf(TYPEFACES_NAMES, 'shore'),
  corners: oneOf(CORNERS, 'slight'),
  density: oneOf(DENSITIES, 'normal'),
  /** What cards stand out by. */
  depth: oneOf(DEPTHS, 'hairline'),
  buttons: oneOf(BUTTON_FORMS, 'as-corners'),
  /** The publisher's own CSS, as a last resort. */
  css: words(LONGEST_CSS),
};

/** How all pages of a site look. */
export type LookDesign = SettingsOf<typeof LOOK_FORM>;

export type LookSketch = Pick<LookDesign, 'name'> &
  Partial<Omit<LookDesign, 'light' | 'dark'>> & {
    readonly light?: Partial<Colours>;
    readonly dark?: Partial<Colours>;
  };

/** A look with every property at its plain default but those given. Throws a `SettingFault` for what cannot be. */
export function makeLook(given: LookSketch): LookDesign {
  return readSettings(LOOK_FORM, given, 'look');
}

/** The colours of a look: those of its palette but where it has its own. */
export function paletteOf({ palette, light, dark }: LookDesign): Palette {
  const own = PALETTES[palette];
  const merged = (scheme: Colours, mine: Colours): Colours =>
    Object.fromEntries(COLOUR_NAMES.map((name) => [name, mine[name] || scheme[name]])) as unknown as Colours;
  return { light: merged(own.light, light), dark: merged(own.dark, dark) };
}

const CORNER_SIZES: Readonly<Record<(typeof CORNERS)[number], string>> = { square: '0', slight: '6px', round: '14px' };
const SPACES: Readonly<Record<(typeof DENSITIES)[number], string>> = { compact: '0.75', normal: '1', airy: '1.35' };
const SHADOW = '0 1px 2px rgb(0 0 0 / 10%), 0 6px 18px rgb(0 0 0 / 8%)';

/** A look as CSS custom properties by their names, for a style attribute; what is as it comes anyway is left out. */
export function customProperties(look: LookDesign): Record<string, string> {
  return Object.fromEntries(
    Object.entries(propertiesOf(look)).filter(([name, value]) => value !== STANDARD_PROPERTIES[name]),
  );
}

function propertiesOf(look: LookDesign): Record<string, string> {
  const { light, dark } = paletteOf(look);
  const colours = COLOUR_NAMES.map((name) => [`--pl-${dashed(name)}`, `light-dark(${light[name]}, ${dark[name]})`]);
  const [headings, text] = TYPEFACES[look.typefaces];
  const corner = CORNER_SIZES[look.corners];
  return {
    ...(Object.fromEntries(colours) as Record<string, string>),
    ...{ '--pl-heading': headings, '--pl-text': text, '--pl-corner': corner, '--pl-space': SPACES[look.density] },
    '--pl-button-corner': look.buttons === 'pill' ? '999px' : corner,
    '--pl-depth': look.depth === 'shadow' ? SHADOW : 'none',
    '--pl-edge': look.depth === 'shadow' ? 'transparent' : `light-dark(${light.line}, ${dark.line})`,
    'color-scheme': look.scheme === 'system' ? 'light dark' : look.scheme,
  };
}

function dashed(name: string): string {
  return name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

const STANDARD_PROPERTIES: Readonly<Record<string, string>> = propertiesOf(makeLook({ name: '' }));
