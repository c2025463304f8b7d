import { Dice } from '../../values/index.js';
import type { Drawing, Tones } from './drawing.js';
import { DAY, EVENING, skyOf, svgOf } from './drawing.js';

const SHAPES = [
  [1200, 800],
  [1200, 800],
  [1000, 1000],
  [1280, 720],
] as const;

/** A house among hills; the same number gives the same one. */
export function houseDrawing(number: number): Drawing {
  const dice = new Dice(7907 * (number + 1));
  const [width, height] = SHAPES[number % SHAPES.length]!;
  const tones = number % 3 === 2 ? EVENING : DAY;
  const ground = height * 0.72;
  const svg = svgOf(width, height, [
    skyOf(tones, width, height),
    `<circle cx="${width * (0.15 + dice.next() * 0.7)}" cy="${height * 0.2}" r="${width * 0.05}" fill="${tones.light}"/>`,
    ridge(dice, width, height, { at: ground - height * 0.12, rise: height * 0.22, colour: tones.far }),
    ridge(dice, width, height, { at: ground, rise: height * 0.1, colour: tones.near }),
    house(dice, width, ground + height * 0.06, tones),
    ...Array.from({ length: dice.whole(2, 5) }, () => tree(dice, width, height, ground, tones)),
    `<path d="M${width * 0.47} ${height} Q ${width * 0.5} ${height * 0.86} ${width * 0.51} ${ground + height * 0.07} l ${width * 0.03} 0 Q ${width * 0.56} ${height * 0.86} ${width * 0.66} ${height}Z" fill="${tones.walls[0]}" opacity="0.7"/>`,
  ]);
  return {
    name: `house-${number}`,
    svg,
    width,
    height,
    alt: 'Drawing of a house among hills',
    focus: { x: 0.5, y: 0.6 },
  };
}

interface Ridge {
  readonly at: number;
  readonly rise: number;
  readonly colour: string;
}

function ridge(dice: Dice, width: number, height: number, { at, rise, colour }: Ridge): string {
  const points = Array.from({ length: 7 }, (_, n) => `${(n * width) / 6} ${at - dice.next() * rise}`);
  return `<path d="M0 ${height} L ${points.join(' L ')} L ${width} ${height} Z" fill="${colour}" stroke="${colour}" stroke-width="60" stroke-linejoin="round"/>`;
}

function house(dice: Dice, width: number, foot: number, tones: Tones): string {
  const [wall, roof] = [dice.pick(tones.walls), dice.pick(tones.roofs)];
  const [wide, high] = [width * (0.26 + dice.next() * 0.14), width * (0.13 + dice.next() * 0.06)];
  const left = (width - wide) / 2;
  const peak = foot - high - width * (0.08 + dice.next() * 0.06);
  const windows = Array.from({ length: dice.whole(2, 4) }, (_, n, of = 4) => {
    const size = wide / 9;
    return `<rect x="${left + wide * 0.12 + (n * wide * 0.8) / of}" y="${foot - high * 0.75}" width="${size}" height="${size * 1.25}" fill="${tones.light}" stroke="${roof}" stroke-width="${size / 9}"/>`;
  });
  const door = `<rect x="${left + wide * 0.44}" y="${foot - high * 0.52}" width="${wide * 0.12}" height="${high * 0.52}" fill="${roof}"/>`;
  const chimney = dice.chance(0.6)
    ? `<rect x="${left + wide * 0.72}" y="${peak + (foot - high - peak) * 0.1}" width="${wide * 0.06}" height="${high * 0.5}" fill="${roof}"/>`
    : '';
  return [
    chimney,
    `<rect x="${left}" y="${foot - high}" width="${wide}" height="${high}" fill="${wall}"/>`,
    `<path d="M${left - wide * 0.06} ${foot - high} L ${width / 2} ${peak} L ${left + wide * 1.06} ${foot - high}Z" fill="${roof}"/>`,
    ...windows,
    door,
  ].join('');
}

function tree(dice: Dice, width: number, height: number, ground: number, { near, roofs }: Tones): string {
  const side = dice.chance(0.5) ? dice.next() * 0.26 : 0.74 + dice.next() * 0.26;
  const [x, foot, size] = [
    width * side,
    ground + height * (0.06 + dice.next() * 0.16),
    height * (0.14 + dice.next() * 0.1),
  ];
  const crown = dice.chance(0.5)
    ? `<circle cx="${x}" cy="${foot - size * 0.75}" r="${size * 0.36}" fill="${near}"/>`
    : `<path d="M${x - size * 0.3} ${foot - size * 0.3} L ${x} ${foot - size * 1.25} L ${x + size * 0.3} ${foot - size * 0.3}Z" fill="${near}"/>`;
  return `<rect x="${x - size * 0.04}" y="${foot - size * 0.5}" width="${size * 0.08}" height="${size * 0.5}" fill="${roofs[2]}"/><g style="filter:brightness(0.86)">${crown}</g>`;
}
