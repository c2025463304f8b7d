import type { Focus } from '../../structure/index.js';

/** A picture that Plindo draws itself, as SVG; sizes in pixels. */
export interface Drawing {
  /** Among those of a starter. */
  readonly name: string;
  readonly svg: string;
  readonly width: number;
  readonly height: number;
  readonly alt: string;
  readonly focus?: Focus;
}

/** The document around the parts of a drawing. */
export function svgOf(width: number, height: number, parts: readonly string[]): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${parts.join('')}</svg>`;
}

/** Colours that go together: of the sky, what is far and near, walls, and a sign of life. */
export interface Tones {
  readonly sky: readonly [string, string];
  readonly far: string;
  readonly near: string;
  readonly walls: readonly string[];
  readonly roofs: readonly string[];
  readonly light: string;
}

export const DAY: Tones = {
  sky: ['#d6e8ea', '#f4efe0'],
  far: '#9fb8ad',
  near: '#6f9073',
  walls: ['#f3e7d3', '#e9d3bb', '#dfe4dc', '#f1d9c4'],
  roofs: ['#8a4f3d', '#5d6a72', '#7a5a43', '#a0634a'],
  light: '#fff6dc',
};

export const EVENING: Tones = {
  sky: ['#3a4668', '#e6a77d'],
  far: '#4f5474',
  near: '#373f55',
  walls: ['#c9b7a4', '#a99a94', '#bda58d', '#9fa3a8'],
  roofs: ['#4a3338', '#2f3846', '#553f3a', '#3c4450'],
  light: '#ffd98a',
};

export function skyOf({ sky: [from, to] }: Tones, width: number, height: number): string {
  const stops = `<stop offset="0" stop-color="${from}"/><stop offset="1" stop-color="${to}"/>`;
  return `<defs><linearGradient id="sky" x2="0" y2="1">${stops}</linearGradient></defs><rect width="${width}" height="${height}" fill="url(#sky)"/>`;
}
