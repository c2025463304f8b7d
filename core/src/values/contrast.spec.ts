import { contrastRatio, nearestWithContrast, relativeLuminance } from './contrast.js';

describe('Contrast', () => {
  it('is that of WCAG 2.2', () => {
    // WCAG 2.2, "contrast ratio": ratios can range from 1 to 21; "relative luminance": 0 for darkest black, 1 for lightest white.
    expect([contrastRatio('#000000', '#ffffff'), contrastRatio('#ffffff', '#ffffff')]).toEqual([21, 1]);
    expect([relativeLuminance('#000000'), relativeLuminance('#ffffff')]).toEqual([0, 1]);
    // The shares of the three channels as the definition gives them.
    expect(['#ff0000', '#00ff00', '#0000ff'].map(relativeLuminance)).toEqual([0.2126, 0.7152, 0.0722]);
    // W3C, "G18": gray (#767676 or darker) is said to be enough on white; from memory, 4.54 and, for #777777, 4.48.
    expect(contrastRatio('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
    expect(contrastRatio('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
  });

  it('is made sufficient by the least change of a colour', () => {
    expect(nearestWithContrast('#767676', '#ffffff')).toBe('#767676');
    expect(nearestWithContrast('#777777', '#ffffff')).toBe('#767676');
    const lighter = nearestWithContrast('#884422', '#332211');
    expect(contrastRatio(lighter, '#332211')).toBeGreaterThanOrEqual(4.5);
    expect(relativeLuminance(lighter)).toBeGreaterThan(relativeLuminance('#884422'));
    expect(nearestWithContrast('#777777', '#777777', 7)).toBe('#000000');
  });
});
