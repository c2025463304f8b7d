/**
 * Writes server/src/http/answer-schemas.json, the JSON Schema (2020-12) of every type in server/src/http/answers.ts; a test
 * holds them together. The compiler itself is asked what the types are: the packages for that (ts-json-schema-generator,
 * typescript-json-schema) give up on types that are worked out of others, as those of designs are.
 */
import { writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const at = (path) => fileURLToPath(new URL(`../${path}`, import.meta.url));
const SOURCE = at('server/src/http/answers.ts');

/** Literals and names with bars between. */
const UNION = /(?:"[^"]*"|[\w.]+)(?: \| (?:"[^"]*"|[\w.]+))+/g;

function compare(a, b) {
  return a < b ? -1 : a > b ? 1 : 0;
}

class Schemas {
  named = new Map();

  constructor(checker) {
    this.checker = checker;
  }

  of(type) {
    const { checker } = this;
    if (type.flags & ts.TypeFlags.Boolean) return { type: 'boolean' };
    if (type.isUnion()) return this.ofUnion(type);
    if (type.isStringLiteral() || type.isNumberLiteral()) return { const: type.value };
    if (type.flags & ts.TypeFlags.BooleanLiteral) return { const: checker.typeToString(type) === 'true' };
    if (type.flags & ts.TypeFlags.Null) return { type: 'null' };
    if (type.flags & (ts.TypeFlags.StringLike | ts.TypeFlags.TemplateLiteral)) return { type: 'string' };
    if (type.flags & ts.TypeFlags.NumberLike) return { type: 'number' };
    if (checker.isArrayType(type)) return { type: 'array', items: this.of(checker.getTypeArguments(type)[0]) };
    if (checker.isTupleType(type))
      return { type: 'array', prefixItems: checker.getTypeArguments(type).map((one) => this.of(one)) };
    if (type.isIntersection() && type.types.some((one) => one.flags & ts.TypeFlags.String)) return { type: 'string' };
    if (type.flags & ts.TypeFlags.Object || type.isIntersection()) return this.ofObject(type);
    return {};
  }

  ofUnion(type) {
    const types = type.types.filter((one) => !(one.flags & ts.TypeFlags.Undefined));
    if (types.length === 0) return {};
    const literals = types.filter((one) => one.isStringLiteral() || one.isNumberLiteral()).map(({ value }) => value);
    literals.sort(compare);
    const bools = types.filter((one) => one.flags & ts.TypeFlags.BooleanLiteral);
    const rest = types.filter((one) => !one.isLiteral() && !(one.flags & ts.TypeFlags.BooleanLiteral));
    rest.sort((a, b) => compare(this.textOf(a), this.textOf(b)));
    const all = [
      ...(literals.length > 0 ? [{ enum: literals }] : []),
      ...(bools.length === 2 ? [{ type: 'boolean' }] : bools.map((one) => this.of(one))),
      ...rest.map((one) => this.of(one)),
    ];
    return all.length === 1 ? all[0] : { anyOf: all };
  }

  /** A type with a name is described once, and referred to. */
  ofObject(type) {
    const name = this.nameOf(type);
    if (name === null) return this.described(type);
    if (!this.named.has(type)) {
      const taken = new Set([...this.named.values()].map((one) => one.name));
      let own = name;
      while (taken.has(own)) own += '_';
      const entry = { name: own, schema: {} };
      this.named.set(type, entry);
      entry.schema = this.described(type);
    }
    return { $ref: `#/components/schemas/${this.named.get(type).name}` };
  }

  nameOf(type) {
    const symbol = type.aliasSymbol ?? type.symbol;
    const given =
      type.aliasTypeArguments ?? (type.flags & ts.TypeFlags.Object ? this.checker.getTypeArguments(type) : []);
    if (!symbol || symbol.name.startsWith('__') || /^(Record|Partial|Pick|Omit|Readonly)$/.test(symbol.name))
      return null;
    const inner = given.filter((one) => !(one.flags & ts.TypeFlags.TypeParameter)).map((one) => this.textOf(one));
    return [symbol.name, ...inner]
      .join('_')
      .replace(/[^\w]+/g, '_')
      .replace(/_+$/, '')
      .slice(0, 80);
  }

  /** A type as it is written, its unions in one order: the compiler has them in the order in which it met their parts. */
  textOf(type) {
    const text = this.checker.typeToString(type, undefined, ts.TypeFormatFlags.NoTruncation);
    return text.replace(UNION, (union) => union.split(' | ').sort(compare).join(' | '));
  }

  described(type) {
    const { checker } = this;
    const properties = {};
    const required = [];
    for (const property of checker.getPropertiesOfType(type)) {
      const own = checker.getTypeOfSymbol(property);
      if (own.getCallSignatures().length > 0) continue;
      const said = ts.displayPartsToString(property.getDocumentationComment(checker)).replace(/\s+/g, ' ');
      properties[property.name] = { ...this.of(own), ...(said && { description: said }) };
      if (!(property.flags & ts.SymbolFlags.Optional)) required.push(property.name);
    }
    const index = checker.getIndexInfoOfType(type, ts.IndexKind.String);
    return {
      type: 'object',
      ...(Object.keys(properties).length > 0 && { properties }),
      ...(required.length > 0 && { required: required.sort(compare) }),
      ...(index && { additionalProperties: this.of(index.type) }),
    };
  }
}

/** The schemas of all answers by their names, and those of the types that they are made of. */
export function answerSchemas() {
  const { config } = ts.readConfigFile(at('server/tsconfig.json'), ts.sys.readFile);
  const { options } = ts.parseJsonConfigFileContent(config, ts.sys, dirname(at('server/tsconfig.json')));
  const program = ts.createProgram([SOURCE], { ...options, composite: false, noEmit: true });
  const checker = program.getTypeChecker();
  const exported = checker.getExportsOfModule(checker.getSymbolAtLocation(program.getSourceFile(SOURCE)));
  const answers = checker.getDeclaredTypeOfSymbol(exported.find(({ name }) => name === 'Answers'));
  const schemas = new Schemas(checker);
  const all = checker.getPropertiesOfType(answers).map((one) => [one.name, schemas.of(checker.getTypeOfSymbol(one))]);
  const named = [...schemas.named.values()].map(({ name, schema }) => [name, schema]);
  return { answers: Object.fromEntries(all), schemas: Object.fromEntries(named.sort(([a], [b]) => (a < b ? -1 : 1))) };
}

/** As the file has it. */
export function answerSchemasText() {
  return `${JSON.stringify(answerSchemas())}\n`;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(at('server/src/http/answer-schemas.json'), answerSchemasText());
}
