import { askedSubfields } from '../../design/index.js';
import type { Field } from '../../structure/index.js';
import { MOST_ROWS, fieldType, starsOf } from '../../structure/index.js';
import type { SiteWords } from '../../values/index.js';
import { UNITS } from '../../values/index.js';
import { filePath } from '../cards/value-models.js';
import { depthOf } from '../facets/values-facet.js';
import type { PageScene } from '../frame.js';
import type { QuestionControl, QuestionModel, QuestionOption } from './form-model.js';
import { NO_ANSWER } from './form-model.js';

const ROWS_OF_TEXT = 4;
const ROWS_OF_BODY = 8;
const MOST_PICTURES = 12;

/** The listings that a link can lead to, null for too many; and those that it does. */
export interface LinkChoices {
  readonly options: readonly QuestionOption[] | null;
  readonly chosen: readonly QuestionOption[];
}

/** How visitors are asked for a field; `links` are the listings that a link can lead to. */
export function controlOf(field: Field, page: PageScene, links: LinkChoices): QuestionControl {
  const { site, context } = page;
  const { settings, type } = field;
  const { words } = context.formats;
  const control = fieldType(type).control;
  const line = (input: Extract<QuestionControl, { as: 'line' }>['input'], isNumber = false): QuestionControl => ({
    ...{ as: 'line', input, isNumber },
    ...{ before: settings.before ?? '', after: unitOf(field) },
  });
  switch (control) {
    case 'number':
      return line('text', true);
    case 'date':
      return line('date');
    case 'date-time':
      return line('datetime-local');
    case 'time':
      return line('time');
    case 'area':
      return { as: 'text', rows: ROWS_OF_TEXT };
    case 'rich-text':
      return { as: 'text', rows: ROWS_OF_BODY };
    case 'yes-no':
      return { as: 'one', options: yesNoOptions(words) };
    case 'one-choice':
      return { as: 'one', options: optionsOf(field) };
    case 'several-choices':
    case 'categories':
      return { as: 'several', options: optionsOf(field) };
    case 'rating':
      return { as: 'one', options: starOptions(field) };
    case 'range':
      return { as: 'range', input: inputOfEnds(field), after: unitOf(field) };
    case 'picture':
      return { as: 'pictures', most: 1 };
    case 'pictures':
      return { as: 'pictures', most: settings.most ?? MOST_PICTURES };
    case 'file':
      return { as: 'file' };
    case 'place':
      return {
        as: 'place',
        base: site.baseMap ? filePath(site.baseMap) : null,
        tiles: site.mapTiles ?? null,
      };
    case 'group':
    case 'rows':
      return {
        as: 'entries',
        most: control === 'rows' ? (settings.most ?? MOST_ROWS) : null,
        questions: inside(field, page),
      };
    case 'link':
      return { as: 'links', many: settings.linked?.many ?? false, ...links };
    default:
      return line(fieldType(type).inputType ?? 'text');
  }
}

/** The questions inside a group or rows. */
function inside(field: Field, page: PageScene): QuestionModel[] {
  return askedSubfields(field).map((sub) => ({
    ...{
      field: sub.key,
      label: sub.label,
      help: sub.help,
      isRequired: sub.required,
      isAskedAbout: false,
      isHidden: false,
    },
    control: controlOf(sub, page, { options: null, chosen: [] }),
    answer: NO_ANSWER,
  }));
}

function optionsOf(field: Field): QuestionOption[] {
  const { choices = [] } = field.settings;
  return choices.map(({ key, label }) => ({ value: key, label, depth: depthOf(key, field) }));
}

function yesNoOptions(words: SiteWords): QuestionOption[] {
  return (['yes', 'no'] as const).map((value) => ({ value, label: words.say(`value.${value}`), depth: 0 }));
}

function starOptions(field: Field): QuestionOption[] {
  const most = starsOf(field);
  return Array.from({ length: most }, (_, at) => String(at + 1)).map((value) => ({ value, label: value, depth: 0 }));
}

function inputOfEnds({ settings: { ends } }: Field): 'text' | 'date' | 'datetime-local' | 'time' {
  if (ends === 'date') return 'date';
  if (ends === 'date-time') return 'datetime-local';
  return ends === 'time-of-day' ? 'time' : 'text';
}

/** What stands behind the input: the currency, the unit, or the field's own text. */
function unitOf({ type, settings: { after = '', currency, unit, ends } }: Field): string {
  const counts = type === 'range' ? ends : type;
  if (after !== '') return after;
  if (counts === 'money') return currency ?? '';
  return counts === 'measure' && unit ? UNITS[unit].symbol : '';
}
