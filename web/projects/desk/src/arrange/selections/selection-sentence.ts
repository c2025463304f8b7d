import type { Condition, FieldTest, Kind, ReadContext, SelectionDefinition } from '@plindo/core/structure';
import {
  fieldAt,
  fieldByKey,
  fieldType,
  isGroup,
  isLinkTest,
  isParameter,
  operatorWords,
  takesValue,
} from '@plindo/core/structure';
import { orderWords } from '../shared/order-words';
import { kindsBehind } from './selection-fields';

/** What stands in the place of a value until a page gives it. */
export const PARAMETER_WORDS = {
  listing: 'that of the page’s listing',
  category: 'the page’s category',
  date: 'the page’s date',
} as const;

/** Of what a selection is made and by what it is read. */
export interface SentenceScene {
  readonly allKinds: readonly Kind[];
  readonly context: ReadContext;
}

/** A whole selection as one would read it aloud. */
export function selectionSentence(selection: SelectionDefinition, scene: SentenceScene): string {
  const { picked, kinds: ids, where, order, skip, most, pageSize, leavesOutCurrent } = selection;
  const { formats } = scene.context;
  const kinds = scene.allKinds.filter(({ id }) => ids.includes(id));
  const parts: string[] = [];
  if (picked) {
    parts.push(`Shows ${formats.number(picked.length)} listings picked by hand, in their order`);
  } else {
    const named = kinds.length > 0 ? BOTH.format(kinds.map(({ many }) => many)) : 'nothing yet, as no kind is chosen';
    const conditions = where.of.length > 0 ? ` where ${conditionWords(where, kinds, scene)}` : '';
    parts.push(`Shows ${named}${conditions}`);
    if (order.length > 0) parts.push(`ordered by ${orderWords(order, kinds)}`);
  }
  if (skip > 0) parts.push(`without the first ${formats.number(skip)}`);
  if (most !== null) parts.push(`at most ${formats.number(most)}`);
  parts.push(`${formats.number(pageSize)} a page`);
  if (leavesOutCurrent) parts.push('without the listing on whose page it stands');
  return `${parts.join('; ')}.`;
}

/** The Desk speaks English. */
const BOTH = new Intl.ListFormat('en', { type: 'conjunction' });
const EITHER = new Intl.ListFormat('en', { type: 'disjunction' });
const JOINS = { all: ' and ', any: ' or ', none: ' or ' } as const;

/** A condition as it is read after "where"; what is inside another one stands in brackets. */
export function conditionWords(condition: Condition, kinds: readonly Kind[], scene: SentenceScene): string {
  if (isGroup(condition)) {
    const words = condition.of.map((part) => {
      const inner = conditionWords(part, kinds, scene);
      return isGroup(part) && part.of.length > 1 && part.join !== condition.join ? `(${inner})` : inner;
    });
    const joined = words.join(JOINS[condition.join]);
    return condition.join === 'none' && words.length > 0 ? `not (${joined})` : joined;
  }
  if (isLinkTest(condition)) {
    const label = kinds.flatMap((kind) => fieldByKey(kind, condition.link)?.label ?? [])[0] ?? condition.link;
    const behind = kindsBehind(condition.link, kinds, scene.allKinds);
    return `${label} has one where ${conditionWords(condition.where, behind, scene)}`;
  }
  return testWords(condition, kinds, scene);
}

function testWords(test: FieldTest, kinds: readonly Kind[], { context }: SentenceScene): string {
  const { field: key, op, value, alone } = test;
  const field = kinds.flatMap((kind) => fieldAt(kind, key) ?? [])[0];
  if (!field) return `${key}, which is gone, …`;
  const start = `${field.label} ${operatorWords(op, field)}`;
  if (!takesValue(op)) return start;
  if (isParameter(value)) return `${start} ${PARAMETER_WORDS[value.parameter]}`;
  const values = (Array.isArray(value) ? (value as readonly unknown[]) : [value ?? '']).map(String);
  const shown = values.map((one) => (one === '' ? '…' : valueWords(one, field, context)));
  const words = (op === 'is-one-of' ? EITHER : BOTH).format(shown);
  return `${start} ${words}${alone ? ' alone' : ''}`;
}

/** A value as visitors read it; what is no value of the field as it was typed. */
function valueWords(text: string, field: NonNullable<ReturnType<typeof fieldAt>>, context: ReadContext): string {
  const choice = field.settings.choices?.find(({ key }) => key === text);
  if (choice) return choice.label;
  const type = fieldType(field.type);
  if (!['money', 'date', 'date-time', 'whole-number', 'decimal', 'measure', 'yes-no'].includes(field.type)) return text;
  const read = type.read(text, field, context);
  return read.ok && read.value !== null ? type.format(read.value, field, context.formats) || text : text;
}
