import type { ConditionGroup, Picture } from '../../structure/index.js';
import { asPicture, isConditionForm, isGroup } from '../../structure/index.js';

/** Something that is said of a part of a design: what it is when nobody says it, and what it may be. */
export interface Setting<Value> {
  readonly byDefault: Value;
  /** Reads what was sent; throws a {@link SettingFault} that names the place for what it cannot be. */
  read(input: unknown, place: string): Value;
}

/** The settings of a part, by name. */
export type SettingForm = Readonly<Record<string, Setting<unknown>>>;

/** The values that the settings of a form have when they are read. */
export type SettingsOf<Form extends SettingForm> = {
  readonly [Name in keyof Form]: Form[Name] extends Setting<infer Value> ? Value : never;
};

/** Thrown for a setting that is not what it may be; names its place. Whoever reads designs catches it. */
export class SettingFault extends Error {
  constructor(
    readonly place: string,
    readonly wanted: string,
  ) {
    super(`${place} must be ${wanted}`);
  }
}

/** A setting that is made with a function. */
export function setting<Value>(
  byDefault: Value,
  wanted: string,
  read: (input: unknown, place: string) => Value | undefined,
): Setting<Value> {
  return {
    byDefault,
    read(input, place) {
      const value = read(input, place);
      if (value === undefined) throw new SettingFault(place, wanted);
      return value;
    },
  };
}

export function oneOf<const Value extends string | number>(
  values: readonly Value[],
  byDefault: NoInfer<Value>,
): Setting<Value> {
  return setting(byDefault, `one of ${values.join(', ')}`, (input) => values.find((value) => value === input));
}

export function flag(byDefault = false): Setting<boolean> {
  return setting(byDefault, 'true or false', (input) => (typeof input === 'boolean' ? input : undefined));
}

export function words(longest: number, byDefault = ''): Setting<string> {
  const fits = (input: unknown): input is string => typeof input === 'string' && input.length <= longest;
  return setting(byDefault, `a text of at most ${longest} characters`, (input) => (fits(input) ? input : undefined));
}

/** A number of the given span, both ends in. */
export function numberFrom(least: number, greatest: number, byDefault: number): Setting<number> {
  const fits = (input: unknown): input is number =>
    typeof input === 'number' && Number.isFinite(input) && input >= least && input <= greatest;
  return setting(byDefault, `a number from ${least} to ${greatest}`, (input) => (fits(input) ? input : undefined));
}

/** A setting that may be null as well, and is unless it is said. */
export function orNull<Value>(inner: Setting<Value>): Setting<Value | null> {
  return { byDefault: null, read: (input, place) => (input === null ? null : inner.read(input, place)) };
}

/** A list of at most so many of something. */
export function listOf<Value>(inner: Setting<Value>, most: number): Setting<readonly Value[]> {
  return setting<readonly Value[]>([], `a list of at most ${most}`, (input, place) => {
    if (!Array.isArray(input) || input.length > most) return undefined;
    return input.map((one, at) => inner.read(one, `${place}.${at + 1}`));
  });
}

export const conditionSetting: Setting<ConditionGroup | null> = setting<ConditionGroup | null>(
  null,
  'a group of conditions {join, of}, or null',
  (input) => (input === null || (isConditionForm(input) && isGroup(input)) ? input : undefined),
);

export const pictureSetting: Setting<Picture | null> = setting<Picture | null>(null, 'a picture, or null', (input) =>
  input === null ? null : (asPicture(input) ?? undefined),
);

/** Reads settings; what is left out has its default, and what the form doesn't have is refused. */
export function readSettings<Form extends SettingForm>(form: Form, input: unknown, place: string): SettingsOf<Form> {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) throw new SettingFault(place, 'an object');
  const given = input as Readonly<Record<string, unknown>>;
  const unknown = Object.keys(given).find((name) => !Object.hasOwn(form, name));
  if (unknown !== undefined) throw new SettingFault(`${place}.${unknown}`, 'left out: there is no such setting');
  const read = Object.entries(form).map(([name, { byDefault, read: readOne }]) => {
    const value = given[name];
    return [name, value === undefined ? byDefault : readOne(value, `${place}.${name}`)] as const;
  });
  return Object.fromEntries(read) as SettingsOf<Form>;
}

/** Settings as a setting of something larger. */
export function group<Form extends SettingForm>(form: Form): Setting<SettingsOf<Form>> {
  return { byDefault: readSettings(form, {}, ''), read: (input, place) => readSettings(form, input, place) };
}
