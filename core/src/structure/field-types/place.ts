import type { Axis, Formats, Word } from '../../values/index.js';
import { issue, ok, parseDegrees, parseNumber, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { inputText, isEmptyInput } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';

/** A point on the earth in degrees (WGS 84), and an address in words if there is one. */
export interface Place {
  readonly latitude: number;
  readonly longitude: number;
  readonly address: string;
}

const LONGEST_ADDRESS = 300;
const DECIMALS = 6;

function makePlace(latitude: number, longitude: number, address: string): Place | null {
  const inside = Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180; // false for NaN
  if (!inside || address.length > LONGEST_ADDRESS) return null;
  return { latitude: rounded(latitude), longitude: rounded(longitude), address };
}

/** Six decimals are a tenth of a metre on the ground; more is noise. */
function rounded(degrees: number): number {
  return Number(degrees.toFixed(DECIMALS)) + 0;
}

const WITH_POINTS = /^([-+−]?\d+(?:\.\d+)?)\s*[,; ]\s*([-+−]?\d+(?:\.\d+)?)\s*(?:;\s*(.*))?$/su;
const WITH_COMMAS = /^([-+−]?\d+,\d+)\s*[; ]\s*([-+−]?\d+,\d+)\s*(?:;\s*(.*))?$/su;

/** "38.71, -9.14" or, with decimal commas, "38,71; -9,14"; an address may follow after a semicolon. */
function readText(text: string): Place | null {
  const match = WITH_COMMAS.exec(text.trim()) ?? WITH_POINTS.exec(text.trim());
  if (!match) return readPair(text);
  const [latitude = NaN, longitude = NaN] = [match[1], match[2]].map(
    (part) => parseNumber((part ?? '').replace(',', '.'), { decimal: '.', group: '' }) ?? NaN,
  );
  return makePlace(latitude, longitude, (match[3] ?? '').trim());
}

const PLAIN = { decimal: '.', group: '', written: '.' } as const;
/** Where the latitude ends in a pair with letters of the compass: 38°42'26"N 9°8'10"W. */
const BETWEEN_HALVES = /(?<=[NS])[\s,;]+(?=\d)|[\s,;]+(?=[EW]\s*\d)/i;

/** A pair of degrees, minutes and seconds, or of degrees with letters of the compass. */
function readPair(text: string): Place | null {
  const [latitude, longitude, ...more] = text.trim().split(BETWEEN_HALVES);
  if (latitude === undefined || longitude === undefined || more.length > 0) return null;
  const [lat, lon] = [parseDegrees(latitude, 'latitude', PLAIN), parseDegrees(longitude, 'longitude', PLAIN)];
  return lat === null || lon === null ? null : makePlace(lat, lon, '');
}

function readJson(input: object, context: ReadContext): Place | null {
  const { latitude, longitude, address = '' } = input as Record<string, unknown>;
  const half = (part: unknown, axis: Axis): number | null =>
    typeof part === 'string' ? parseDegrees(part, axis, context.marks) : typeof part === 'number' ? part : null;
  const [lat, lon] = [half(latitude, 'latitude'), half(longitude, 'longitude')];
  if (lat == null || lon == null || typeof address !== 'string') return null;
  return makePlace(lat, lon, address.trim());
}

function isPlace(value: unknown): value is Place {
  const place = value as Partial<Place> | null;
  return typeof place === 'object' && Number.isFinite(place?.latitude) && Number.isFinite(place?.longitude);
}

/** Two numbers with decimals; whole ones could as well be one number with its thousands marked. */
const LOOKS_LIKE_A_PAIR = /^[-+−]?\d+[.,]\d+\s*[,; ]\s*[-+−]?\d+[.,]\d+/u;

/** Whether a place from a form or a row is empty: neither of its coordinates is given. */
function isBlank(input: object): boolean {
  const { latitude, longitude } = input as Record<string, unknown>;
  return isEmptyInput(latitude) && isEmptyInput(longitude);
}

export const placeType: FieldType<Place> = {
  label: 'place',
  icon: 'location_on',
  control: 'place',
  settings: [],
  short: false,
  read(input, field, context) {
    if (isEmptyInput(input) || (typeof input === 'object' && input !== null && isBlank(input))) return ok(null);
    let place: Place | null = null;
    if (typeof input === 'string') place = readText(input);
    else if (typeof input === 'object' && input !== null) place = readJson(input, context);
    if (place) return ok(place);
    return refuse(issue('value.not-a-place', { label: field.label, found: inputText(input) }, { field: field.key }));
  },
  holds: isPlace,
  toText: ({ latitude, longitude, address }) => [`${latitude}, ${longitude}`, address].filter(Boolean).join('; '),
  format({ latitude, longitude, address }, _field, formats) {
    const degrees = `${compass(latitude, ['value.north', 'value.south'], formats)} ${compass(longitude, ['value.east', 'value.west'], formats)}`;
    return address === '' ? degrees : `${address} (${degrees})`;
  },
  column: null,
  facets: ['distance'],
  words: ({ address }) => address,
  propose(sample) {
    const isPair = (value: string): boolean => LOOKS_LIKE_A_PAIR.test(value) || /[NS].*[EW]/i.test(value);
    const fitting = countFitting(sample, (value) => isPair(value) && readText(value) !== null);
    return proposeIfEnough(sample, fitting, 0.9, { plural: 'pairs of latitude and longitude' });
  },
};

function compass(degrees: number, [positive, negative]: readonly [Word, Word], formats: Formats): string {
  return `${formats.number(Math.abs(degrees), 4)}° ${formats.words.say(degrees < 0 ? negative : positive)}`;
}
