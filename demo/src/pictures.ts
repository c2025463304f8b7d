import sharp from 'sharp';
import { Dice } from '@plindo/core/values';

/** Shapes in which the demo's pictures come: a directory has to cope with all of them. */
const SHAPES = [
  [1500, 1000],
  [1000, 1400],
  [1200, 1200],
  [1600, 900],
] as const;

interface Palette {
  readonly sky: readonly [string, string];
  readonly hills: readonly [string, string];
  readonly water: readonly [string, string];
  readonly light: string;
}

const PALETTES: readonly Palette[] = [
  { sky: ['#f6dcb4', '#e9a978'], hills: ['#8a6f73', '#5c5466'], water: ['#54707f', '#2d4656'], light: '#fff3d6' },
  { sky: ['#cfe3ea', '#9cc3d1'], hills: ['#6f8f86', '#46665f'], water: ['#3e7f8c', '#1f5566'], light: '#ffffff' },
  { sky: ['#e4e6df', '#c3ccc9'], hills: ['#7f8c86', '#5a6863'], water: ['#6b8791', '#43606d'], light: '#f7f4ea' },
  { sky: ['#2f3f63', '#5b5f86'], hills: ['#2a3350', '#1c243c'], water: ['#26385a', '#141f38'], light: '#f5e6b8' },
];

/** A drawn scene of a harbour as PNG bytes; the same number gives the same scene. */
export async function drawScene(
  number: number,
): Promise<{ png: Buffer; alt: string; focus: { x: number; y: number } }> {
  const dice = new Dice(7919 * (number + 1));
  const [width, height] = SHAPES[number % SHAPES.length]!;
  const palette = dice.pick(PALETTES);
  const horizon = height * (0.42 + dice.next() * 0.16);
  const boats = dice.whole(1, 4);
  const parts = [
    gradient('sky', palette.sky),
    gradient('water', palette.water),
    `<rect width="${width}" height="${height}" fill="url(#sky)"/>`,
    `<circle cx="${width * (0.2 + dice.next() * 0.6)}" cy="${horizon * 0.45}" r="${width * 0.05}" fill="${palette.light}" opacity="0.9"/>`,
    hills(dice, { width, horizon, rise: height * 0.16, colour: palette.hills[0] }),
    hills(dice, { width, horizon, rise: height * 0.08, colour: palette.hills[1] }),
    `<rect y="${horizon}" width="${width}" height="${height - horizon}" fill="url(#water)"/>`,
    waves(dice, { width, height, horizon, colour: palette.light }),
    ...Array.from({ length: boats }, () => boat(dice, { width, height, horizon, light: palette.light })),
    pontoon(dice, { width, height, horizon }),
  ];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${parts.join('')}</svg>`;
  const png = await sharp(Buffer.from(svg)).png({ compressionLevel: 1 }).toBuffer();
  // The waterline is what a cropped scene has to show.
  const focus = { x: 0.5, y: Number(Math.min(1, horizon / height + 0.12).toFixed(3)) };
  return { png, focus, alt: `Drawing of a harbour with ${boats === 1 ? 'a boat' : `${boats} boats`} and hills behind` };
}

/** A logo of initials in a ring, square, as PNG bytes. */
export async function drawLogo(name: string, number: number): Promise<Buffer> {
  const ink = ['#0f6e6a', '#8a5a10', '#3f5f8f', '#7a5c86', '#5d7a3a'][number % 5]!;
  const initials = name
    .split(' ')
    .map((word) => word.charAt(0))
    .join('');
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400"><rect width="400" height="400" fill="#fbfaf6"/>` +
    `<circle cx="200" cy="200" r="150" fill="none" stroke="${ink}" stroke-width="18"/>` +
    `<path d="M80 250 q 60 -40 120 0 t 120 0" fill="none" stroke="${ink}" stroke-width="14"/>` +
    `<text x="200" y="215" font-family="sans-serif" font-size="110" font-weight="700" text-anchor="middle" fill="${ink}">${initials}</text></svg>`;
  return sharp(Buffer.from(svg)).png().toBuffer();
}

interface Scene {
  readonly width: number;
  readonly height: number;
  readonly horizon: number;
}

function gradient(id: string, [from, to]: readonly [string, string]): string {
  const stops = `<stop offset="0" stop-color="${from}"/><stop offset="1" stop-color="${to}"/>`;
  return `<defs><linearGradient id="${id}" x2="0" y2="1">${stops}</linearGradient></defs>`;
}

function hills(
  dice: Dice,
  { width, horizon, rise, colour }: { width: number; horizon: number; rise: number; colour: string },
): string {
  let path = `M0 ${horizon}`;
  const step = width / 8;
  for (let x = 0; x <= width; x += step) {
    path += ` Q ${x + step / 2} ${horizon - rise * (0.3 + dice.next())} ${x + step} ${horizon - rise * dice.next() * 0.5}`;
  }
  return `<path d="${path} L ${width * 2} ${horizon} Z" fill="${colour}"/>`;
}

function waves(dice: Dice, { width, height, horizon, colour }: Scene & { colour: string }): string {
  let lines = '';
  for (let at = 0; at < 40; at++) {
    const y = horizon + (height - horizon) * dice.next();
    const x = width * dice.next();
    const length = width * (0.02 + 0.08 * dice.next());
    lines += `<path d="M${x} ${y} q ${length / 4} -4 ${length / 2} 0 t ${length / 2} 0" stroke="${colour}" stroke-opacity="0.25" stroke-width="2" fill="none"/>`;
  }
  return lines;
}

function boat(dice: Dice, { width, height, horizon, light }: Scene & { light: string }): string {
  const depth = 0.12 + dice.next() * 0.5;
  const y = horizon + (height - horizon) * depth;
  const size = width * (0.05 + 0.12 * depth);
  const x = width * (0.12 + dice.next() * 0.7);
  const hull = dice.pick(['#c8412b', '#f4efe2', '#16263a', '#0f6e6a', '#b7791f']);
  const mast = size * (1.2 + dice.next() * 0.6);
  return (
    `<path d="M${x} ${y} l ${size} 0 l ${-size * 0.2} ${size * 0.22} l ${-size * 0.62} 0 Z" fill="${hull}"/>` +
    `<path d="M${x + size * 0.45} ${y} l 0 ${-mast}" stroke="#3b3b3b" stroke-width="${size * 0.03}"/>` +
    `<path d="M${x + size * 0.48} ${y - size * 0.08} l 0 ${-mast * 0.85} q ${size * 0.5} ${mast * 0.5} ${size * 0.44} ${mast * 0.85} Z" fill="${light}" opacity="0.92"/>`
  );
}

function pontoon(dice: Dice, { width, height, horizon }: Scene): string {
  const y = horizon + (height - horizon) * 0.82;
  let posts = '';
  for (let x = 0; x < width; x += width / 9) {
    posts += `<rect x="${x + dice.next() * 20}" y="${y - height * 0.05}" width="${width * 0.012}" height="${height * 0.13}" fill="#4a3b2e"/>`;
  }
  return `<rect y="${y}" width="${width}" height="${height * 0.035}" fill="#7a624b"/>${posts}`;
}
