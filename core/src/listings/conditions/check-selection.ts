import type {
  Condition,
  FieldTest,
  Kind,
  KindById,
  ReadContext,
  Selection,
  SelectionDefinition,
} from '../../structure/index.js';
import {
  DEEPEST_CONDITION,
  LONGEST_SELECTION_NAME,
  columnOf,
  facetsOver,
  fieldAt,
  fieldOfSubject,
  isGroup,
  isLinkTest,
  operatorsFor,
  plainField,
  reachedKind,
} from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { foldText, isSlug, issue } from '../../values/index.js';
import { testValueIssue } from './condition-holds.js';

/** What checking what a selection asks depends on. */
export interface QuestionScene {
  readonly kindById: KindById;
  readonly context: ReadContext;
}

/** What checking a selection depends on. */
export interface SelectionScene extends QuestionScene {
  /** The selections that it must not clash with. */
  readonly others: readonly Selection[];
}

/** One thing that is wrong with a condition, and where it stands: "2.1" is the first part of the second one. */
export interface ConditionFault {
  readonly place: string;
  readonly reason: string;
}

/** Everything that is wrong with a selection. */
export function checkSelection(selection: SelectionDefinition, scene: SelectionScene): Issue[] {
  return [...checkNames(selection, scene.others), ...checkQuestion(selection, scene)];
}

/**
 * What is wrong with what a selection asks, whatever it is called. Told as `selection.condition`, `selection.kinds` and
 * `selection.order`.
 */
export function checkQuestion(selection: SelectionDefinition, scene: QuestionScene): Issue[] {
  const issues: Issue[] = [];
  const kinds = kindsOf(selection, scene.kindById);
  if (selection.picked === null && (kinds.length === 0 || kinds.length < selection.kinds.length)) {
    issues.push(issue('selection.kinds', {}, { field: 'kinds' }));
  }
  for (const { place, reason } of conditionFaults(selection, scene)) {
    issues.push(issue('selection.condition', { place, reason }, { field: 'where' }));
  }
  for (const { by } of selection.order) {
    const key = fieldOfSubject(by);
    if (key !== null && kinds.length > 0 && !kinds.some((kind) => fieldAt(kind, key))) {
      issues.push(issue('selection.order', { reason: `no kind has the field “${key}”.` }, { field: 'order' }));
    }
  }
  return [...issues, ...groupingIssues(selection, kinds), ...facetIssues(selection, kinds)];
}

function checkNames({ name, slug }: SelectionDefinition, others: readonly Selection[]): Issue[] {
  const issues: Issue[] = [];
  if (name.trim() === '' || name.length > LONGEST_SELECTION_NAME) {
    issues.push(issue('selection.name', { greatest: LONGEST_SELECTION_NAME }, { field: 'name' }));
  }
  if (others.some((other) => foldText(other.name) === foldText(name))) {
    issues.push(issue('selection.taken', { name }, { field: 'name' }));
  }
  if (!isSlug(slug)) issues.push(issue('kind.slug', { slug }, { field: 'slug' }));
  if (others.some((other) => other.slug === slug)) issues.push(issue('kind.slug-taken', { slug }, { field: 'slug' }));
  return issues;
}

function kindsOf({ kinds }: SelectionDefinition, kindById: KindById): Kind[] {
  return kinds.map(kindById).filter((kind) => kind !== undefined);
}

/** What is wrong with the conditions, each at its place. A field has to be there in one of the kinds at least. */
export function conditionFaults(
  selection: Pick<SelectionDefinition, 'kinds' | 'where'>,
  scene: QuestionScene,
): ConditionFault[] {
  const kinds = selection.kinds.map(scene.kindById).filter((kind) => kind !== undefined);
  return selection.where.of.flatMap((part, at) => faultsOf(part, kinds, scene, [at + 1]));
}

function faultsOf(
  condition: Condition,
  kinds: readonly Kind[],
  scene: QuestionScene,
  path: readonly number[],
): ConditionFault[] {
  const fault = (reason: string): ConditionFault[] => [{ place: path.join('.'), reason }];
  if (path.length > DEEPEST_CONDITION) return fault(`conditions nest ${DEEPEST_CONDITION} deep at most.`);
  if (isGroup(condition)) return condition.of.flatMap((part, at) => faultsOf(part, kinds, scene, [...path, at + 1]));
  if (isLinkTest(condition)) {
    const reached = kinds.map((kind) => reachedKind(kind, [condition.link], scene.kindById)).filter(isKind);
    if (reached.length === 0) return fault(`there is no link “${condition.link}” any more.`);
    return faultsOf(condition.where, reached, scene, [...path, 1]);
  }
  const reason = testFault(condition, kinds, scene.context);
  return reason === null ? [] : fault(reason);
}

function isKind(kind: Pick<Kind, 'fields'> | null): kind is Kind {
  return kind !== null && 'id' in kind;
}

function testFault(test: FieldTest, kinds: readonly Kind[], context: ReadContext): string | null {
  if (test.op === 'is-current' || kinds.length === 0) return null;
  const fields = kinds.map((kind) => fieldAt(kind, test.field)).filter((field) => field !== undefined);
  const [field] = fields;
  if (!field) return `the field “${test.field}” is not there any more.`;
  if (!operatorsFor(field).includes(test.op)) return `${field.label} cannot be compared like that.`;
  return testValueIssue(test, field, context)?.message ?? null;
}

function groupingIssues({ grouping }: SelectionDefinition, kinds: readonly Kind[]): Issue[] {
  if (!grouping) return [];
  const isDate = kinds.some((kind) => {
    const field = fieldAt(kind, grouping.field);
    const spec = field && columnOf(plainField(field));
    return spec?.kind === 'number' && spec.time;
  });
  if (isDate) return [];
  return [
    issue('kind.grouping', { reason: `“${grouping.field}” is no date of these listings.` }, { field: 'grouping' }),
  ];
}

/** Of a list picked by hand the kinds aren't known; what none of them has is left out when it is shown. */
function facetIssues({ facets, picked }: SelectionDefinition, kinds: readonly Kind[]): Issue[] {
  if (picked) return [];
  const offered = facetsOver(kinds);
  const gone = facets.filter((key) => !offered.some((facet) => facet.key === key));
  return gone.map((key) =>
    issue('kind.facets', { reason: `no kind of it has the facet “${key}”.` }, { field: 'facets' }),
  );
}
