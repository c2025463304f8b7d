import type { Catalog } from '../../catalog/index.js';
import type { Listing } from '../../listings/index.js';
import { leavesAt, statusLabel } from '../../listings/index.js';
import type {
  Condition,
  Field,
  FieldTest,
  ReadContext,
  SelectionDefinition,
  ShownTime,
} from '../../structure/index.js';
import {
  BUILT_IN_MARK,
  choiceLabel,
  columnOf,
  fieldAt,
  fieldType,
  isGroup,
  isKindShown,
  isLinkTest,
  isParameter,
  operatorWords,
  takesValue,
  textOfMoment,
} from '../../structure/index.js';
import { countShown } from '../lists/asked-list.js';
import type { ConditionScene } from '../filters/condition-rows.js';
import { rowsWhere } from '../filters/condition-rows.js';
import type { PageParameters } from '../filters/parameters.js';
import { NO_PARAMETERS } from '../filters/parameters.js';
import { countSelected, idsInOrder, rowsOfSelection } from '../lists/run-selection.js';
import type { QueryScene } from '../filters/scene.js';

/** One thing that keeps a listing out of a selection. */
export interface Reason {
  readonly about:
    | 'kind'
    | 'picked'
    | 'status'
    | 'window'
    | 'published'
    | 'condition'
    | 'current'
    | 'limit'
    | 'facet'
    | 'map'
    | 'search';
  /** A sentence. */
  readonly sentence: string;
  /** Of a condition its place, of a facet its key; and what was found and wanted. */
  readonly place: string;
  readonly found: string;
  readonly wanted: string;
}

/** Every reason that keeps a listing out, or, when there is none, where it stands. */
export interface Explanation {
  readonly reasons: readonly Reason[];
  /** Counted from 1, among those that are shown; null when it is out. */
  readonly position: number | null;
  /** Counted from 1; null when it is out. */
  readonly page: number | null;
}

/** What is explained with beside the selection. */
export interface ExplainScene {
  readonly scene: QueryScene;
  /** The catalog of the listing's kind, whether visitors may see it or not. */
  readonly catalog: Catalog;
  readonly parameters?: PageParameters;
}

/** Why a listing is not in a selection, or where in it it is. */
export function explain(listing: Listing, selection: SelectionDefinition, explained: ExplainScene): Explanation {
  const reasons = reasonsAgainst(listing, selection, explained);
  if (reasons.length > 0) return { reasons, position: null, page: null };
  return placeOf(listing, selection, explained.scene, explained.parameters ?? NO_PARAMETERS);
}

/** What keeps a listing out of a selection, its place in the order aside. */
export function reasonsAgainst(
  listing: Listing,
  selection: SelectionDefinition,
  { scene, catalog, parameters = NO_PARAMETERS }: ExplainScene,
): Reason[] {
  const reasons = [
    ...ownReasons(listing, catalog, selection.shows, scene),
    ...choiceReasons(listing, selection, catalog),
    ...(selection.picked ? [] : conditionReasons(selection.where, { listing, catalog, asked: { scene, parameters } })),
  ];
  if (selection.leavesOutCurrent && parameters.listing === listing.id) {
    reasons.push(plainReason('current', 'The selection leaves out the listing of the page that it stands on.'));
  }
  return reasons;
}

export function plainReason(about: Reason['about'], sentence: string): Reason {
  return { about, sentence, place: '', found: '', wanted: '' };
}

function ownReasons(listing: Listing, { kind }: Catalog, shows: ShownTime, { context }: QueryScene): Reason[] {
  const { formats, nowInMs, zone } = context;
  const reasons: Reason[] = [];
  if (!isKindShown(kind)) reasons.push(plainReason('published', `${kind.many} are not on the site.`));
  const { status, shownFrom } = listing;
  const leaves = leavesAt(listing, kind, zone);
  if (status !== 'live') {
    const found = statusLabel({ status, shownFrom, leavesAt: leaves }, nowInMs);
    reasons.push({
      ...plainReason('status', `Its status is ${found}; only live listings are shown.`),
      found,
      wanted: 'Live',
    });
  }
  if (shownFrom !== null && shownFrom > nowInMs) {
    reasons.push(plainReason('window', `It comes to the site on ${formats.exactly(shownFrom)} (${formats.zone}).`));
  }
  const isOver = leaves !== null && leaves <= nowInMs;
  if (shows === 'past' && !isOver) {
    reasons.push(plainReason('window', 'It has not left the site; only listings that have left are shown.'));
  }
  if (isOver && shows !== 'present' && !kind.expiry?.saysOver) {
    reasons.push(plainReason('window', `It has left the site, and the rule of ${kind.many} keeps no pages of those.`));
  }
  if (isOver && shows === 'present') {
    reasons.push(plainReason('window', `It left the site on ${formats.exactly(leaves)} (${formats.zone}).`));
  }
  return reasons;
}

function choiceReasons(listing: Listing, { kinds, picked }: SelectionDefinition, { kind }: Catalog): Reason[] {
  if (picked) {
    return picked.includes(listing.id)
      ? []
      : [plainReason('picked', 'It is not among those that were picked by hand.')];
  }
  return kinds.includes(kind.id) ? [] : [plainReason('kind', `No ${kind.many} are chosen here.`)];
}

/** What the parts of a condition are explained with. */
interface PartScene {
  readonly listing: Listing;
  readonly catalog: Catalog;
  readonly asked: ConditionScene;
}

/** The parts that do not hold, where they had to. Of an "any of", all parts are named; of a "none of", those that hold. */
function conditionReasons(condition: Condition, part: PartScene, path: readonly number[] = []): Reason[] {
  if (holds(condition, part)) return [];
  if (!isGroup(condition)) return [reasonOf(condition, part, path, false)];
  const parts = condition.of.map((own, at) => ({ own, path: [...path, at + 1] }));
  if (condition.join === 'none') {
    return parts.filter(({ own }) => holds(own, part)).map(({ own, path: way }) => reasonOf(own, part, way, true));
  }
  if (parts.length === 0)
    return [plainReason('condition', 'No condition stands under “any of”, so nothing is let in.')];
  return parts.flatMap(({ own, path: way }) => conditionReasons(own, part, way));
}

function holds(condition: Condition, { listing, catalog, asked }: PartScene): boolean {
  const row = catalog.rowOf(listing.id);
  return row !== undefined && rowsWhere(condition, catalog, asked).has(row);
}

function reasonOf(
  condition: Condition,
  { listing, catalog, asked }: PartScene,
  path: readonly number[],
  isTurned: boolean,
): Reason {
  const { context } = asked.scene;
  const place = path.join('.');
  if (isGroup(condition))
    return { ...plainReason('condition', 'A group of conditions that must not hold does.'), place };
  if (isLinkTest(condition)) {
    const label = fieldAt(catalog.kind, condition.link)?.label ?? condition.link;
    const sentence = isTurned ? `${label} has one that it must not have.` : `${label}: no linked listing fits.`;
    return {
      about: 'condition',
      place,
      sentence,
      found: foundIn(listing, condition.link, catalog, context),
      wanted: '',
    };
  }
  const label = fieldAt(catalog.kind, condition.field)?.label ?? condition.field;
  const found = foundIn(listing, condition.field, catalog, context);
  const wanted = `${isTurned ? 'not: ' : ''}${wantedBy(condition, catalog, context)}`;
  const sentence = `${label} is ${found === '' ? 'empty' : `“${found}”`}; wanted: ${wanted}.`;
  return { about: 'condition', place, sentence, found, wanted };
}

/** The value of a listing as readers see it; '' for none. */
export function foundIn(listing: Listing, key: string, { kind }: Catalog, { formats }: ReadContext): string {
  const field = fieldAt(kind, key);
  const own = key.startsWith(BUILT_IN_MARK) ? builtInValue(listing, key) : listing.values[key];
  if (!field || own === undefined || own === null) return '';
  const type = fieldType(field.type);
  return type.holds(own) ? type.format(own, field, formats) || type.toText(own, field) : '';
}

/** What every listing has by itself, as a value of the field that stands for it. */
function builtInValue(listing: Listing, key: string): unknown {
  const own = (listing as unknown as Readonly<Record<string, unknown>>)[key.slice(BUILT_IN_MARK.length)];
  return typeof own === 'number' && key !== '@handOrder' ? textOfMoment(own) : own;
}

/** What a test wants, in words: "is at most €40". */
function wantedBy({ field: key, op, value }: FieldTest, { kind }: Catalog, context: ReadContext): string {
  const field = fieldAt(kind, key);
  const words = field ? operatorWords(op, field) : op;
  if (!takesValue(op)) return words;
  if (isParameter(value)) return `${words} that of the page’s ${value.parameter}`;
  const values = (Array.isArray(value) ? (value as readonly unknown[]) : [value]).map((one) =>
    field ? asReaders(one, field, context) : String(one),
  );
  return `${words} ${values.join(op === 'between' ? ' and ' : ', ')}`;
}

/** A wanted value as the field's values are shown; as it was written where it isn't one of them, as a distance is not. */
function asReaders(value: unknown, field: Field, context: ReadContext): string {
  const type = fieldType(field.type);
  const read = columnOf(field)?.kind === 'number' ? type.read(value, field, context) : null;
  const isOne = read?.ok === true && type.holds(read.value);
  return isOne ? type.format(read.value, field, context.formats) : choiceLabel(String(value), field);
}

function placeOf(
  listing: Listing,
  selection: SelectionDefinition,
  scene: QueryScene,
  parameters: PageParameters,
): Explanation {
  const selected = rowsOfSelection(selection, scene, parameters);
  const found = countSelected(selected);
  const at = idsInOrder(selection, selected, 0, found, scene).indexOf(listing.id);
  return placeAt(at, { ...selection, shown: countShown(selection, found) });
}

/** Where a listing stands that has a position in the whole order, counted from 0; -1 for one that has none. */
export function placeAt(
  at: number,
  { skip, shown, pageSize }: { readonly skip: number; readonly shown: number; readonly pageSize: number },
): Explanation {
  const position = at + 1 - skip;
  if (at < 0) return { reasons: [], position: null, page: null };
  if (position >= 1 && position <= shown) return { reasons: [], position, page: Math.ceil(position / pageSize) };
  const sentence =
    position < 1
      ? `It stands at ${at + 1}; the first ${skip} are skipped.`
      : `It stands at ${position}; at most ${shown} are shown.`;
  return { reasons: [plainReason('limit', sentence)], position: null, page: null };
}
