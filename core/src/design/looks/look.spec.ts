import { LEAST_CONTRAST, contrastRatio } from '../../values/index.js';
import { readLook } from '../pages/read-page.js';
import { checkLook } from './check-look.js';
import { customProperties, makeLook, paletteOf } from './look.js';
import { COLOUR_PAIRS, PALETTES, PALETTE_NAMES } from './palettes.js';

describe('A look', () => {
  it('of each palette that ships can be read in light and in the dark', () => {
    expect(PALETTE_NAMES.length).toBe(8);
    for (const name of PALETTE_NAMES) {
      expect(checkLook(makeLook({ name, palette: name })))
        .withContext(name)
        .toEqual([]);
      for (const scheme of ['light', 'dark'] as const) {
        const colours = PALETTES[name][scheme];
        for (const [text, ground] of COLOUR_PAIRS) {
          expect(contrastRatio(colours[text], colours[ground]))
            .withContext(`${name}, ${scheme}: ${text} on ${ground}`)
            .toBeGreaterThanOrEqual(LEAST_CONTRAST);
        }
      }
    }
  });

  it('is refused where its own colours cannot be read, with the nearest that can', () => {
    const look = makeLook({ name: 'Pale', light: { quiet: '#999999' } });
    expect(paletteOf(look).light).toEqual({ ...PALETTES.estuary.light, quiet: '#999999' });
    expect(checkLook(look).map(({ code, field, message }) => [code, field, message])).toEqual([
      ...['the ground', 'raised things', 'the tinted ground'].map((ground) => [
        'look.contrast',
        'light.quiet',
        jasmine.stringMatching(
          `In the light scheme quiet text \\(#999999\\) cannot be read on ${ground}: the contrast is 2\\.\\d\\d, and at least 4.5 is needed. #[0-9a-f]{6} is the nearest`,
        ) as unknown as string,
      ]),
    ]);
    const nearest = /(#[0-9a-f]{6}) is the nearest/.exec(checkLook(look).at(-1)!.message)![1]!;
    expect(checkLook(makeLook({ name: 'Pale', light: { quiet: nearest } }))).toEqual([]);
    expect(checkLook(makeLook({ name: ' ' })).map(({ code }) => code)).toEqual(['design.name']);
  });

  it('becomes custom properties, without those that are so anyway', () => {
    expect(customProperties(makeLook({ name: 'Plain' }))).toEqual({});
    const look = makeLook({
      ...{ name: 'Own', typefaces: 'press', corners: 'round', density: 'airy', buttons: 'pill', scheme: 'dark' },
      light: { accent: '#7a1fa2' },
    });
    expect(customProperties(look)).toEqual({
      '--pl-accent': 'light-dark(#7a1fa2, #63c7c0)',
      '--pl-heading': "'Literata Variable', 'Literata Stand-in', serif",
      '--pl-corner': '14px',
      '--pl-space': '1.35',
      '--pl-button-corner': '999px',
      'color-scheme': 'dark',
    });
    const shadow = customProperties(makeLook({ name: 'Deep', palette: 'slate', depth: 'shadow' }));
    expect([shadow['--pl-edge'], shadow['--pl-depth']?.startsWith('0 1px')]).toEqual(['transparent', true]);
  });

  it('is read from JSON, with the place of what cannot be', () => {
    const read = readLook({ name: 'Own', palette: 'heather', dark: { ink: 'FFF' } });
    expect(read.ok && [read.value.palette, read.value.dark.ink, read.value.light.ink]).toEqual([
      'heather',
      '#ffffff',
      '',
    ]);
    const messageOf = (input: unknown): string => {
      const wrong = readLook(input);
      return wrong.ok ? '' : wrong.issue.message;
    };
    expect(messageOf({ name: 'A', light: { ink: 'red; x: y' } })).toBe(
      'The design cannot be read: look.light.ink must be a colour as #0f6e6a, or nothing.',
    );
    expect(messageOf({ name: 'A', palette: 'neon' })).toContain('look.palette must be one of estuary, ');
    expect(messageOf({ name: 'A', sheet: '' })).toContain('look.sheet must be left out');
  });
});
