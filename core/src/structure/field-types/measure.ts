import type { Formats, Measure, UnitCode } from '../../values/index.js';
import {
  UNITS,
  convertMeasure,
  isUnit,
  issue,
  ok,
  parseNumber,
  refuse,
  unitFromText,
  unitSymbol,
  unitsLike,
} from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { boundNumber, boundsIssue, checkNumberBounds, stepIssue } from './bounds.js';
import type { FieldType } from './field-type.js';
import { inputText, isEmptyInput, withAffixes, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';

export const DEFAULT_UNIT: UnitCode = 'm';

const NUMBER_AND_UNIT = /^([+-−]?[\d.,'\s]*\d)\s*(\p{L}[\p{L}\d/²³ ]*|°\s?[CF])?$/u;

function unitOf(field: Field): UnitCode {
  return field.settings.unit ?? DEFAULT_UNIT;
}

function split(text: string): { number: string; unit: string | null } | null {
  const match = NUMBER_AND_UNIT.exec(text.trim());
  return match ? { number: match[1] ?? '', unit: match[2] ?? null } : null;
}

const COMPOUND = /^(\d[\d.,]*\s*\p{L}+)\s+(\d[\d.,]*\s*\p{L}+)(?:\s+(\d[\d.,]*\s*\p{L}+))?$/u;

/** "10 ft 6 in" as one measure in its first unit; null when it isn't several of one dimension. */
function compoundMeasure(text: string, context: ReadContext): Measure | null {
  const pieces =
    COMPOUND.exec(text.trim())
      ?.slice(1)
      .filter((piece) => piece !== undefined) ?? [];
  const measures = pieces.map((piece) => {
    const parts = split(piece);
    const unit = parts?.unit ? unitFromText(parts.unit) : null;
    const value = parts && parseNumber(parts.number, context.marks);
    return unit && value !== null ? { value, unit } : null;
  });
  const [first] = measures;
  if (!first) return null;
  let sum = 0;
  for (const measure of measures) {
    if (!measure || !unitsLike(first.unit).includes(measure.unit)) return null;
    sum += convertMeasure(measure, first.unit);
  }
  return { value: Number(sum.toPrecision(15)), unit: first.unit };
}

function formatIn(value: number, unit: UnitCode, formats: Formats, decimals?: number): string {
  const precise = Number(value.toPrecision(12));
  const shown = decimals === undefined ? precise : Number(precise.toFixed(decimals));
  return `${formats.number(shown)} ${unitSymbol(unit)}`;
}

function asMeasure(input: unknown): { value: number; unit: string } | null {
  if (typeof input !== 'object' || input === null) return null;
  const { value, unit } = input as Record<string, unknown>;
  return typeof value === 'number' && Number.isFinite(value) && typeof unit === 'string' ? { value, unit } : null;
}

export const measureType: FieldType<Measure> = {
  label: 'measure',
  icon: 'straighten',
  control: 'line',
  settings: ['unit', 'least', 'greatest', 'step', 'decimals', 'before', 'after'],
  short: true,
  checkSettings: (field) =>
    isUnit(unitOf(field)) ? checkNumberBounds(field) : `${field.label} needs a unit that Plindo knows.`,
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    const own = unitOf(field);
    const refused = { label: field.label, found: inputText(input), unit: unitSymbol(own), wanted: unitSymbol(own) };
    let given = asMeasure(input);
    if (!given) {
      if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a number with a unit');
      const compound = typeof input === 'string' ? compoundMeasure(input, context) : null;
      if (compound) return this.read(compound, field, context);
      const parts = typeof input === 'number' ? { number: String(input), unit: null } : split(input);
      const value = typeof input === 'number' ? input : parts && parseNumber(parts.number, context.marks);
      if (!parts || value === null || !Number.isFinite(value)) {
        return refuse(issue('value.not-a-measure', refused, { field: field.key }));
      }
      given = { value, unit: parts.unit ?? own };
    }
    const unit = unitFromText(given.unit);
    if (!unit || !unitsLike(own).includes(unit)) {
      return refuse(issue('value.unit', { ...refused, found: given.unit }, { field: field.key }));
    }
    const measure = { value: given.value === 0 ? 0 : given.value, unit };
    const inOwn = convertMeasure(measure, own);
    const found =
      boundsIssue(
        inOwn,
        field,
        (bound) => boundNumber(bound, context),
        (bound) => formatIn(bound, own, context.formats),
      ) ?? stepIssue(inOwn, field, context);
    return found ? refuse(found) : ok(measure);
  },
  holds: (value): value is Measure => isUnit(asMeasure(value)?.unit ?? ''),
  toText: ({ value, unit }) => `${value} ${unitSymbol(unit)}`,
  format(measure, field, formats) {
    // A field that was given a unit of another dimension shows older values in their own.
    const own = unitsLike(unitOf(field)).includes(measure.unit) ? unitOf(field) : measure.unit;
    return withAffixes(formatIn(convertMeasure(measure, own), own, formats, field.settings.decimals), field);
  },
  column: {
    kind: 'number',
    // The unit of a field can change, the column's base unit cannot: bounds are converted, values are not.
    of: (measure) => convertMeasure(measure, baseUnit(measure.unit)),
    boundFromText(text, field) {
      const value = parseNumber(text, { decimal: '.', group: '' });
      const own = unitOf(field);
      return value === null ? null : convertMeasure({ value, unit: own }, baseUnit(own));
    },
    boundToText: (bound, field) => String(inOwnUnit(bound, field)),
    formatBound: (bound, field, formats) => formatIn(inOwnUnit(bound, field), unitOf(field), formats),
  },
  facets: ['range'],
  propose(sample) {
    const units = new Map<UnitCode, number>();
    const fitting = countFitting(sample, (value) => {
      const parts = split(value);
      const single = parts?.unit && parseNumber(parts.number, sample.context.marks) !== null ? parts.unit : null;
      const unit = (single && unitFromText(single)) ?? compoundMeasure(value, sample.context)?.unit;
      if (!unit) return false;
      units.set(unit, (units.get(unit) ?? 0) + (sample.tally.get(value) ?? 0));
      return true;
    });
    const [unit] = [...units].sort((a, b) => b[1] - a[1]).map(([code]) => code);
    if (!unit || ![...units.keys()].every((other) => unitsLike(unit).includes(other))) return null;
    const plural = `numbers with a unit, most of them ${unitSymbol(unit)}`;
    return proposeIfEnough(sample, fitting, 0.95, { plural, settings: { unit } });
  },
};

function inOwnUnit(bound: number, field: Field): number {
  const own = unitOf(field);
  return Number(convertMeasure({ value: bound, unit: baseUnit(own) }, own).toPrecision(12));
}

const BASE_UNITS: readonly UnitCode[] = ['m', 'm2', 'l', 'kg', 'm/s', 'K', 's', 'W', 'MB'];
const BASE_BY_DIMENSION = new Map(BASE_UNITS.map((unit) => [UNITS[unit].dimension, unit]));

function baseUnit(unit: UnitCode): UnitCode {
  return BASE_BY_DIMENSION.get(UNITS[unit].dimension) ?? unit;
}
