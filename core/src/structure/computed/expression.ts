import type { FactoryFunctionMap, MathNode } from 'mathjs';
import {
  absDependencies,
  addDependencies,
  andDependencies,
  ceilDependencies,
  concatDependencies,
  create,
  divideDependencies,
  equalDependencies,
  equalTextDependencies,
  floorDependencies,
  largerDependencies,
  largerEqDependencies,
  maxDependencies,
  meanDependencies,
  minDependencies,
  modDependencies,
  multiplyDependencies,
  notDependencies,
  orDependencies,
  parseDependencies,
  powDependencies,
  roundDependencies,
  smallerDependencies,
  smallerEqDependencies,
  sqrtDependencies,
  subtractDependencies,
  sumDependencies,
  unaryMinusDependencies,
  unaryPlusDependencies,
  unequalDependencies,
  unitDependencies,
} from 'mathjs';
import type { Measure, UnitCode } from '../../values/index.js';
import { UNITS, convertMeasure, once, unitsLike } from '../../values/index.js';

/**
 * Expressions of computed fields. mathjs parses and evaluates them; what may stand in one is a closed list of nodes,
 * operators and functions, checked before anything is run.
 */

/** Made with the first expression, since making it takes longer than loading all the rest. */
const engine = once(() =>
  create({
    absDependencies,
    addDependencies,
    andDependencies,
    ceilDependencies,
    concatDependencies,
    divideDependencies,
    equalDependencies,
    equalTextDependencies,
    floorDependencies,
    largerDependencies,
    largerEqDependencies,
    maxDependencies,
    meanDependencies,
    minDependencies,
    modDependencies,
    multiplyDependencies,
    notDependencies,
    orDependencies,
    parseDependencies,
    powDependencies,
    roundDependencies,
    smallerDependencies,
    smallerEqDependencies,
    sqrtDependencies,
    subtractDependencies,
    sumDependencies,
    unaryMinusDependencies,
    unaryPlusDependencies,
    unequalDependencies,
    unitDependencies,
  } as FactoryFunctionMap),
);

const COUNT = 'count';
/** The first of its arguments that is not empty. */
const FIRST = 'first';
export const EXPRESSION_FUNCTIONS: readonly string[] = [
  'abs',
  'ceil',
  'concat',
  COUNT,
  'equalText',
  FIRST,
  'floor',
  'max',
  'mean',
  'min',
  'round',
  'sqrt',
  'sum',
];
const OPERATORS: readonly string[] = [
  'add',
  'subtract',
  'multiply',
  'divide',
  'pow',
  'mod',
  'unaryMinus',
  'unaryPlus',
  'smaller',
  'smallerEq',
  'larger',
  'largerEq',
  'equal',
  'unequal',
  'and',
  'or',
  'not',
];
const LONGEST_EXPRESSION = 1000;

/** In what mathjs is told measures: one unit a dimension. */
const BASES: readonly [UnitCode, string][] = [
  ['m', 'm'],
  ['m2', 'm2'],
  ['l', 'l'],
  ['kg', 'kg'],
  ['m/s', 'm/s'],
  ['K', 'K'],
  ['s', 's'],
  ['W', 'W'],
  ['MB', 'MB'],
];

/** A measure as a value in expressions. */
export function measureForExpression(measure: Measure): unknown {
  const [code, name] = BASES.find(([base]) => unitsLike(base).includes(measure.unit)) ?? BASES[0]!;
  return engine().unit(convertMeasure(measure, code), name);
}

/** The number that a result comes to in a unit; null when it is not of its dimension. */
export function numberInUnit(result: unknown, unit: UnitCode): number | null {
  const base = BASES.find(([code]) => unitsLike(code).includes(unit));
  const given = result as { toNumber?: (unit: string) => number; equalBase?: (other: unknown) => boolean } | null;
  if (!base || typeof given?.toNumber !== 'function') return null;
  if (!given.equalBase?.(engine().unit(1, base[1]))) return null;
  return convertMeasure({ value: given.toNumber(base[1]), unit: base[0] }, unit);
}

/** Words that mean something else in expressions, and temperatures whose zero is not nothing. */
const NOT_AS_NAMES = new Set<UnitCode>(['in', 'min', 'C', 'F']);

/** The names of units that stand in expressions: 3 ft, 12 kn. "in" is a word of the expressions, so inches are "inch". */
const unitNames = once(
  (): ReadonlyMap<string, unknown> =>
    new Map([
      ...(Object.keys(UNITS) as UnitCode[])
        .filter((code) => /^[a-zA-Z]\w*$/.test(code) && !NOT_AS_NAMES.has(code))
        .map((code) => [code, measureForExpression({ value: 1, unit: code })] as const),
      ['inch', measureForExpression({ value: 1, unit: 'in' })] as const,
      ['minute', measureForExpression({ value: 1, unit: 'min' })] as const,
    ]),
);

export type Scope = ReadonlyMap<string, unknown>;

/** A parsed expression. Scopes hold the values of fields by key, and of subfields as "key.subkey". */
export interface Expression {
  /** Keys of the fields and subfields that it reads. */
  readonly names: readonly string[];
  /** Those without which it comes to nothing. */
  readonly needs: readonly string[];
  /** Throws an Error with mathjs's reason when the values don't go together. */
  evaluate(scope: Scope): unknown;
}

export type ParsedExpression = Expression | { readonly wrong: string };

/** Parses an expression over the given names; says what is wrong with it, for a sentence. */
export function parseExpression(text: string, known: ReadonlySet<string>): ParsedExpression {
  if (text.length > LONGEST_EXPRESSION) return { wrong: `it has over ${LONGEST_EXPRESSION} characters.` };
  let tree: MathNode;
  try {
    tree = withPaths(engine().parse(text));
  } catch (error) {
    return { wrong: `it cannot be read: ${(error as Error).message}.` };
  }
  const wrong = faultIn(tree, known);
  if (wrong) return { wrong };
  const names = namesIn(tree, known, false);
  const compiled = withMarkedNames(tree, known).compile();
  return {
    names: [...new Set(names)],
    needs: [...new Set(namesIn(tree, known, true))],
    evaluate: (scope) => compiled.evaluate(new Map([...unitNames(), ...OWN_FUNCTIONS, ...marked(scope)])) as unknown,
  };
}

/** A function over a list that leaves out what is missing, and comes to nothing when nothing is left. */
function overGiven(work: (values: unknown[]) => unknown): (...values: unknown[]) => unknown {
  return (...values) => {
    const given = values.flat().filter((value) => value !== null && value !== undefined);
    return given.length === 0 ? null : work(given);
  };
}

/** What texts are put together to; two fields of which each puts the other's together would fill the memory else. */
const LONGEST_TEXT = 10_000;

function together(...parts: unknown[]): unknown {
  const length = parts.reduce<number>((sum, part) => sum + (typeof part === 'string' ? part.length : 0), 0);
  if (length > LONGEST_TEXT) throw new Error(`The text would have over ${LONGEST_TEXT} characters`);
  return (engine().concat as (...all: unknown[]) => unknown)(...parts);
}

const OWN_FUNCTIONS: readonly (readonly [string, unknown])[] = [
  ['concat', together],
  ['min', overGiven((values) => engine().min(values as number[]))],
  ['max', overGiven((values) => engine().max(values as number[]))],
  ['mean', overGiven((values) => engine().mean(values as number[]) as unknown)],
  ['sum', overGiven((values) => engine().sum(values as number[]) as unknown)],
  [
    COUNT,
    (...values: unknown[]): number => values.flat().filter((value) => value !== null && value !== undefined).length,
  ],
  [FIRST, (...values: unknown[]): unknown => values.find((value) => value !== null && value !== undefined) ?? null],
];

type AnyNode = MathNode & {
  readonly name?: string;
  readonly fn?: string | (MathNode & { name?: string });
  readonly args?: readonly MathNode[];
  readonly object?: MathNode & { name?: string };
  readonly index?: MathNode & { dimensions?: readonly (MathNode & { value?: unknown })[]; dotNotation?: boolean };
};

/** The tree with each "field.subfield" made one name. */
function withPaths(tree: MathNode): MathNode {
  return tree.transform((node) => {
    const { type, object, index } = node as AnyNode;
    if (type !== 'AccessorNode' || object?.type !== 'SymbolNode' || !index?.dotNotation) return node;
    const sub = index.dimensions?.[0]?.value;
    return typeof sub === 'string' ? new (engine().SymbolNode)(`${object.name ?? ''}.${sub}`) : node;
  });
}

const FIELD_MARK = '$';

/** The tree with its fields' names marked, so that one called "sum" doesn't stand in the way of the function. */
function withMarkedNames(tree: MathNode, known: ReadonlySet<string>): MathNode {
  return tree.transform((node, path) => {
    const { type, name = '' } = node as AnyNode;
    const isField = type === 'SymbolNode' && path !== 'fn' && known.has(name);
    return isField ? new (engine().SymbolNode)(`${FIELD_MARK}${name}`) : node;
  });
}

function marked(scope: Scope): [string, unknown][] {
  return [...scope].map(([name, value]) => [`${FIELD_MARK}${name}`, value]);
}

const PLAIN_NODES = new Set(['ConstantNode', 'ParenthesisNode', 'ConditionalNode']);

function faultIn(tree: MathNode, known: ReadonlySet<string>): string | null {
  let fault: string | null = null;
  tree.traverse((node, path, parent) => {
    fault ??= faultOf(node as AnyNode, path, parent as AnyNode | null, known);
  });
  return fault;
}

function faultOf(node: AnyNode, path: string, parent: AnyNode | null, known: ReadonlySet<string>): string | null {
  if (PLAIN_NODES.has(node.type)) return null;
  if (node.type === 'OperatorNode') {
    return typeof node.fn === 'string' && OPERATORS.includes(node.fn) ? null : `“${node.toString()}” is not allowed.`;
  }
  if (node.type === 'FunctionNode') {
    const name = typeof node.fn === 'object' ? node.fn.name : undefined;
    if (name !== undefined && EXPRESSION_FUNCTIONS.includes(name)) return null;
    return `there is no function “${name ?? node.toString()}”. There are ${EXPRESSION_FUNCTIONS.join(', ')}.`;
  }
  if (node.type === 'SymbolNode') {
    const name = node.name ?? '';
    if (path === 'fn' && parent?.type === 'FunctionNode') return null;
    if (known.has(name) || unitNames().has(name) || name === 'true' || name === 'false') return null;
    return `there is no field with the key “${name}” that it could use.`;
  }
  return `“${node.toString()}” is not allowed.`;
}

/** The field names in a tree; with `onlyNeeded` without those inside first(…) and count(…), which do without values. */
function namesIn(tree: MathNode, known: ReadonlySet<string>, onlyNeeded: boolean): string[] {
  const node = tree as AnyNode;
  if (node.type === 'SymbolNode') return known.has(node.name ?? '') ? [node.name ?? ''] : [];
  if (node.type === 'FunctionNode') {
    const name = typeof node.fn === 'object' ? node.fn.name : undefined;
    if (onlyNeeded && (name === FIRST || name === COUNT)) return [];
    return (node.args ?? []).flatMap((arg) => namesIn(arg, known, onlyNeeded));
  }
  const names: string[] = [];
  node.forEach((child) => names.push(...namesIn(child, known, onlyNeeded)));
  return names;
}

/** The same expression over a field that has got another key. */
export function withNameReplaced(text: string, from: string, to: string): string {
  // Texts in quotes stay as they are, and so does a function of the same name.
  const parts = new RegExp(`"(?:\\\\.|[^"\\\\])*"|'(?:\\\\.|[^'\\\\])*'|(?<![\\w.])${from}(?!\\w|\\s*\\()`, 'g');
  return text.replace(parts, (part) => (part === from ? to : part));
}
