import { Dice } from '../../values/index.js';
import type { Drawing, Tones } from './drawing.js';
import { DAY, EVENING, skyOf, svgOf } from './drawing.js';

const [WIDTH, HEIGHT] = [1500, 1000];
const AWNINGS = ['#0f6e6a', '#b7791f', '#7a5c86', '#c8412b', '#3f5f8f'] as const;

/** The front of a shop in a street; the same number gives the same one. */
export function shopDrawing(number: number): Drawing {
  const dice = new Dice(6983 * (number + 1));
  const tones = number % 4 === 3 ? EVENING : DAY;
  const foot = HEIGHT * 0.86;
  const svg = svgOf(WIDTH, HEIGHT, [
    skyOf(tones, WIDTH, HEIGHT),
    ...[-0.02, 0.7].map((at) => neighbour(dice, WIDTH * at, foot, tones)),
    front(dice, foot, tones),
    `<rect y="${foot}" width="${WIDTH}" height="${HEIGHT - foot}" fill="${tones.far}"/>`,
    `<rect y="${foot}" width="${WIDTH}" height="14" fill="${tones.near}"/>`,
  ]);
  return {
    name: `shop-${number}`,
    svg,
    width: WIDTH,
    height: HEIGHT,
    alt: 'Drawing of a shop in a street',
    focus: { x: 0.5, y: 0.58 },
  };
}

function neighbour(dice: Dice, left: number, foot: number, tones: Tones): string {
  const [high, wide] = [HEIGHT * (0.4 + dice.next() * 0.28), WIDTH * 0.32];
  const windows = Array.from({ length: 4 }, (_, at) => {
    const [x, y] = [left + wide * (0.18 + (at % 2) * 0.4), foot - high + 60 + Math.floor(at / 2) * 150];
    return `<rect x="${x}" y="${y}" width="80" height="96" fill="${tones.light}" opacity="0.75"/>`;
  });
  return `<rect x="${left}" y="${foot - high}" width="${wide}" height="${high}" fill="${dice.pick(tones.walls)}" opacity="0.85"/>${windows.join('')}`;
}

function front(dice: Dice, foot: number, tones: Tones): string {
  const [wall, awning, roof] = [dice.pick(tones.walls), dice.pick(AWNINGS), dice.pick(tones.roofs)];
  const [left, wide, high] = [WIDTH * 0.24, WIDTH * 0.52, HEIGHT * 0.62];
  const top = foot - high;
  const stripes = Array.from({ length: 10 }, (_, at) => {
    const [x, step] = [left + (at * wide) / 10, wide / 10];
    return `<path d="M${x} ${foot - 330} h${step} l 12 90 q ${-step / 2} 34 ${-step - 24} 0 z" fill="${at % 2 ? '#fbfaf6' : awning}"/>`;
  });
  const upper = Array.from({ length: 3 }, (_, at) => {
    return `<rect x="${left + wide * (0.13 + at * 0.28)}" y="${top + 60}" width="110" height="140" fill="${tones.light}" stroke="${roof}" stroke-width="10"/>`;
  });
  return [
    `<rect x="${left}" y="${top}" width="${wide}" height="${high}" fill="${wall}"/>`,
    `<rect x="${left - 24}" y="${top - 34}" width="${wide + 48}" height="44" fill="${roof}"/>`,
    ...upper,
    `<rect x="${left + 50}" y="${foot - 250}" width="${wide * 0.52}" height="210" fill="${tones.light}" stroke="${roof}" stroke-width="12"/>`,
    `<rect x="${left + wide * 0.7}" y="${foot - 270}" width="150" height="270" fill="${awning}"/>`,
    `<circle cx="${left + wide * 0.7 + 126}" cy="${foot - 130}" r="9" fill="#fbfaf6"/>`,
    ...wares(dice, left + 90, foot - 52),
    ...stripes,
  ].join('');
}

function wares(dice: Dice, left: number, foot: number): string[] {
  return Array.from({ length: 5 }, (_, at) => {
    const [x, high, colour] = [left + at * 68, dice.whole(50, 130), dice.pick(AWNINGS)];
    return dice.chance(0.5)
      ? `<rect x="${x}" y="${foot - high}" width="44" height="${high}" rx="8" fill="${colour}" opacity="0.85"/>`
      : `<circle cx="${x + 24}" cy="${foot - 26}" r="26" fill="${colour}" opacity="0.85"/>`;
  });
}
