import type { Dice } from '@plindo/core/values';

/** A JSON Schema as the API's document has it, as far as bodies are made from it. */
export interface Schema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minimum?: number;
  readonly pattern?: string;
}

const MOST_DEEP = 6;

/** Bodies made from the schemas of the API's document, and what becomes of them when somebody means no good. */
export class Mutations {
  constructor(
    private readonly schemas: Readonly<Record<string, Schema>>,
    private readonly dice: Dice,
  ) {}

  /** A body as the schema has it; properties that may be left out are there most of the time. */
  sample(given: Schema, depth = 0): unknown {
    const schema = this.resolved(given);
    if (schema.enum) return this.dice.pick(schema.enum);
    const type = typeof schema.type === 'string' ? schema.type : schema.type?.[0];
    if (schema.properties) {
      const required = new Set(schema.required);
      const parts = Object.entries(schema.properties).filter(([name]) => {
        return required.has(name) || (depth < MOST_DEEP && this.dice.chance(0.8));
      });
      return Object.fromEntries(parts.map(([name, part]) => [name, this.sample(part, depth + 1)]));
    }
    if (type === 'array') {
      return depth >= MOST_DEEP ? [] : [this.sample(schema.items ?? {}, depth + 1)];
    }
    if (type === 'integer' || type === 'number') return schema.minimum ?? 1;
    if (type === 'boolean') return this.dice.chance(0.5);
    if (type === 'object') return this.dice.pick([{}, { price: '1' }, { a: { b: [1] } }]);
    if (type === 'string') return this.dice.pick(['berths', 'title', 'Quay', '2026-12-04', schema.pattern ?? 'x']);
    return this.dice.pick(ODD);
  }

  /** The body, as JSON, with one thing of it removed, or something else in its place. */
  mutated(body: unknown): string {
    const copy = structuredClone(body);
    const places = placesIn(copy);
    if (places.length === 0 || this.dice.chance(0.05)) return this.dice.pick(WHOLE);
    const { holder, key } = this.dice.pick(places);
    const mark = '"\u2021"';
    const holding = holder as Record<string | number, unknown>;
    if (this.dice.chance(0.15) && !Array.isArray(holder)) Reflect.deleteProperty(holder, key);
    else holding[key] = '\u2021';
    return JSON.stringify(copy).replace(mark, () => this.dice.pick(FRAGMENTS));
  }

  private resolved(schema: Schema): Schema {
    if (schema.anyOf) return this.resolved(this.dice.pick(schema.anyOf));
    return schema.$ref ? this.resolved(this.schemas[schema.$ref.split('/').at(-1)!] ?? {}) : schema;
  }
}

interface Place {
  readonly holder: object;
  readonly key: string | number;
}

function placesIn(value: unknown): Place[] {
  if (typeof value !== 'object' || value === null) return [];
  const keys: (string | number)[] = Array.isArray(value) ? [...value.keys()] : Object.keys(value);
  return keys.flatMap((key) => [{ holder: value, key }, ...placesIn((value as Record<string | number, unknown>)[key])]);
}

/** What stands where a value of any form may stand. */
const ODD: readonly unknown[] = [null, 0, -1, 1e308, '', 'x', [], {}, [[]], [null], { constructor: {} }, true];

/** JSON in the place of a value. */
const FRAGMENTS: readonly string[] = [
  ...['null', '{}', '[]', '""', '0', '-1', '1e400', '1.5', 'true', '" "', '[null]', '[{}]', '[[]]', '{"":null}'],
  ...['{"constructor":{}}', '{"__proto__":{"a":1}}', '"constructor"', '"__proto__"', '"toString"', '{"toString":1}'],
  ...['{"length":-1}', '{"then":{}}', '["a","a"]', '9007199254740993', '"\\u0000"', '"a\\u0000b"', '"\\ud800"'],
  ...['"../../etc/passwd"', '"<script>"', '"\u202e"', '"%00"', '"9999-12-31T23:59:59Z"', '"-000001-01-01"'],
  `"${'x'.repeat(70_000)}"`,
  `${'['.repeat(1000)}${']'.repeat(1000)}`,
  `${'{"and":['.repeat(40)}${']}'.repeat(40)}`,
  `[${'1,'.repeat(3000)}1]`,
  `{${Array.from({ length: 3000 }, (_, at) => `"p${at}":1`).join()}}`,
];

/** JSON in the place of a whole body. */
const WHOLE: readonly string[] = ['', 'null', '[]', '{}', '"x"', '1', '[[[', '{"a":', '\u0000', ...FRAGMENTS];
