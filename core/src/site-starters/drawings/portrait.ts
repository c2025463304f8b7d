import { Dice } from '../../values/index.js';
import type { Drawing } from './drawing.js';
import { svgOf } from './drawing.js';

const [WIDTH, HEIGHT] = [1000, 1250];
const GROUNDS = ['#cfe3ea', '#e4e6df', '#f1dfc3', '#d9d3e3', '#cfdccb'] as const;
const SKINS = ['#f0c9a4', '#d9a47a', '#a8744f', '#7a4f35', '#f4d6bd'] as const;
const HAIRS = ['#2b2320', '#5b4030', '#8a8f92', '#b98b4e', '#e8e2d6'] as const;
const CLOTHES = ['#16263a', '#0f6e6a', '#b7791f', '#7a5c86', '#c8412b'] as const;

/** A portrait of somebody who is nobody; the same number gives the same one. */
export function portraitDrawing(number: number): Drawing {
  const dice = new Dice(104_729 * (number + 1));
  const [ground, skin, hair, clothes] = [GROUNDS, SKINS, HAIRS, CLOTHES].map((from) => dice.pick(from));
  const centre = WIDTH / 2 + dice.whole(-30, 30);
  const parts = [
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="${ground}"/>`,
    `<path d="M0 900 Q 250 860 500 900 T 1000 900 V1250 H0Z" fill="#ffffff" opacity="0.35"/>`,
    hairBehind(dice, centre, hair!),
    `<path d="M${centre - 330} 1250 Q ${centre - 320} 900 ${centre - 90} 850 L ${centre + 90} 850 Q ${centre + 320} 900 ${centre + 330} 1250Z" fill="${clothes}"/>`,
    `<path d="M${centre - 80} 760 V870 Q ${centre} 940 ${centre + 80} 870 V760Z" fill="${skin}"/>`,
    `<ellipse cx="${centre}" cy="600" rx="180" ry="225" fill="${skin}"/>`,
    hairAbove(dice, centre, hair!),
    `<circle cx="${centre - 65}" cy="600" r="14" fill="#16263a"/><circle cx="${centre + 65}" cy="600" r="14" fill="#16263a"/>`,
    `<path d="M${centre - 60} 705 Q ${centre} ${725 + dice.whole(5, 35)} ${centre + 60} 705" fill="none" stroke="#16263a" stroke-width="10" stroke-linecap="round"/>`,
    dice.chance(0.3) ? glasses(centre) : '',
    dice.chance(0.35) ? cap(centre, dice.pick(CLOTHES)) : '',
  ];
  const svg = svgOf(WIDTH, HEIGHT, parts);
  return {
    name: `portrait-${number}`,
    svg,
    width: WIDTH,
    height: HEIGHT,
    alt: 'Drawing of a person',
    focus: { x: 0.5, y: 0.48 },
  };
}

function hairBehind(dice: Dice, centre: number, colour: string): string {
  const length = dice.pick([0, 760, 900]);
  if (length === 0) return '';
  return `<path d="M${centre - 215} ${length} V560 Q ${centre} 250 ${centre + 215} 560 V${length} Z" fill="${colour}"/>`;
}

function hairAbove(dice: Dice, centre: number, colour: string): string {
  const parting = dice.whole(-90, 90);
  return `<path d="M${centre - 190} 590 Q ${centre - 190} 360 ${centre} 355 Q ${centre + 190} 360 ${centre + 190} 590 Q ${centre + 150} 470 ${centre + parting} 455 Q ${centre - 150} 470 ${centre - 190} 590Z" fill="${colour}"/>`;
}

function glasses(centre: number): string {
  const ring = (x: number): string =>
    `<circle cx="${x}" cy="602" r="48" fill="none" stroke="#16263a" stroke-width="9"/>`;
  return `${ring(centre - 66)}${ring(centre + 66)}<path d="M${centre - 18} 600 h36" stroke="#16263a" stroke-width="9"/>`;
}

function cap(centre: number, colour: string): string {
  return (
    `<path d="M${centre - 200} 480 Q ${centre - 180} 320 ${centre} 315 Q ${centre + 180} 320 ${centre + 200} 480Z" fill="${colour}"/>` +
    `<path d="M${centre - 205} 470 h430 q 30 30 -10 42 h-420z" fill="#16263a"/>`
  );
}
