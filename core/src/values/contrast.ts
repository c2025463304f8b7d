/** What WCAG 2.2 asks of text of any size (1.4.3, AA). */
export const LEAST_CONTRAST = 4.5;

const CHANNELS = [1, 3, 5] as const;
/** WCAG 2.2, "relative luminance". */
const SHARES = [0.2126, 0.7152, 0.0722] as const;
const STEPS = 20;

/** The relative luminance of a colour ("#0f6e6a"), from 0 for black to 1 for white (WCAG 2.2, definitions). */
export function relativeLuminance(colour: string): number {
  return channelsOf(colour).reduce((sum, channel, at) => {
    const share = channel / 255;
    return sum + SHARES[at]! * (share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4);
  }, 0);
}

/** The contrast ratio of two colours, from 1 to 21 (WCAG 2.2, definitions). */
export function contrastRatio(one: string, other: string): number {
  const [a, b] = [relativeLuminance(one), relativeLuminance(other)];
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** The colour nearest to a given one that stands out from a ground enough: darker or lighter, whichever takes less. */
export function nearestWithContrast(colour: string, ground: string, least = LEAST_CONTRAST): string {
  if (contrastRatio(colour, ground) >= least) return colour;
  const found = ['#000000', '#ffffff'].map((end) => nearestTowards(end, colour, ground, least));
  return found.filter(({ fits }) => fits).sort((a, b) => a.by - b.by)[0]?.colour ?? furthest(ground);
}

/** Halves the way until the least part of it is found that is enough. */
function nearestTowards(
  end: string,
  colour: string,
  ground: string,
  least: number,
): { readonly colour: string; readonly by: number; readonly fits: boolean } {
  let [enough, tooLittle] = [1, 0];
  for (let step = 0; step < STEPS; step++) {
    const half = (enough + tooLittle) / 2;
    if (contrastRatio(mixed(colour, end, half), ground) >= least) enough = half;
    else tooLittle = half;
  }
  const result = mixed(colour, end, enough);
  return { colour: result, by: enough, fits: contrastRatio(result, ground) >= least };
}

function furthest(ground: string): string {
  return contrastRatio('#000000', ground) >= contrastRatio('#ffffff', ground) ? '#000000' : '#ffffff';
}

function mixed(colour: string, end: string, share: number): string {
  const [own, other] = [channelsOf(colour), channelsOf(end)];
  const channels = own.map((channel, at) => Math.round(channel + (other[at]! - channel) * share));
  return `#${channels.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`;
}

function channelsOf(colour: string): number[] {
  return CHANNELS.map((at) => parseInt(colour.slice(at, at + 2), 16));
}
