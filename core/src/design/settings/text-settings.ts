import type { UnitCode } from '../../values/index.js';
import { DATE_FORMS, UNITS } from '../../values/index.js';
import type { Slot } from '../slots/slot.js';
import { SLOT_FORMS, SLOT_SIZES, SLOT_TONES } from '../slots/slot.js';
import type { TextPart, TextWithValues } from '../slots/text-with-values.js';
import { MANY } from '../slots/text-with-values.js';
import type { Setting } from './setting.js';
import { conditionSetting, flag, listOf, numberFrom, oneOf, orNull, readSettings, setting, words } from './setting.js';

const LONGEST_KEY = 61;
const MOST_PARTS = 20;
const MOST_SLOTS = 100;

const VALUE_FORM = {
  through: listOf(words(LONGEST_KEY), 2),
  field: words(LONGEST_KEY),
  inside: words(LONGEST_KEY),
  many: oneOf(MANY, 'all'),
  before: words(100),
  after: words(100),
  unit: orNull(oneOf(Object.keys(UNITS) as UnitCode[], 'm')),
  digits: orNull(numberFrom(0, 6, 0)),
  dates: oneOf(DATE_FORMS, ''),
};
const WORDS_FORM = { words: words(500) };

const partSetting: Setting<TextPart> = setting<TextPart>({ words: '' }, 'words or a value', (input, place) => {
  const isValue = typeof input === 'object' && input !== null && 'field' in input;
  return isValue ? readSettings(VALUE_FORM, input, place) : readSettings(WORDS_FORM, input, place);
});

/** Words and values in a row. */
export const textSetting: Setting<TextWithValues> = listOf(partSetting, MOST_PARTS);

const SLOT_FORM = {
  key: words(80),
  text: textSetting,
  label: orNull(words(80)),
  icon: orNull(words(40)),
  form: oneOf(SLOT_FORMS, 'words'),
  size: oneOf(SLOT_SIZES, 'normal'),
  isBold: flag(),
  tone: oneOf(SLOT_TONES, 'plain'),
  lines: orNull(numberFrom(1, 12, 1)),
  leadsTo: words(LONGEST_KEY),
  showWhen: conditionSetting,
  instead: words(200),
};

const slotSetting: Setting<Slot> = {
  byDefault: readSettings(SLOT_FORM, {}, ''),
  read: (input, place) => readSettings(SLOT_FORM, input, place),
};

export const slotsSetting: Setting<readonly Slot[]> = listOf(slotSetting, MOST_SLOTS);
