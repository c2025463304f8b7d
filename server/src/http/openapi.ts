import { IS_OPTIONAL, ValidationTypes, getMetadataStorage } from 'class-validator';
import ANSWERS from './answer-schemas.json' with { type: 'json' };
import { PERMISSIONS } from '../services/people/permissions.js';
import { MOST_TOLD, errorTable } from './problem.js';
import type { DtoClass } from './dto/dto-shape.js';
import { propertiesOf } from './dto/dto-shape.js';
import { ITEMS_RULE } from './dto/items-rule.js';
import type { Route } from './route.js';

type Schema = Record<string, unknown>;

/** The OpenAPI 3.1 document of the API, made from the routes and from the decorators of their DTO classes. */
export function openApiDocument(routes: readonly Route[]): Schema {
  const schemas: Record<string, Schema> = { ...ANSWERS.schemas, Problem: PROBLEM, Issue: ISSUE };
  const paths: Record<string, Record<string, Schema>> = {};
  for (const route of routes) {
    const path = `/api${route.path.replace(/:(\w+)/g, '{$1}')}`;
    paths[path] = { ...paths[path], [route.method]: operationOf(route, schemas) };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Plindo', version: '1', description: 'Everything that the Desk can do, for scripts.' },
    security: [{ token: [] }],
    paths,
    components: { schemas, securitySchemes: { token: { type: 'http', scheme: 'bearer' } } },
  };
}

const ISSUE: Schema = {
  type: 'object',
  required: ['code', 'message'],
  properties: {
    code: { type: 'string', enum: errorTable().map(({ code }) => code) },
    message: { type: 'string' },
    field: { type: 'string' },
    line: { type: 'integer' },
  },
};

const PROBLEM: Schema = {
  type: 'object',
  description: 'Problem details as RFC 9457 has them.',
  required: ['type', 'title', 'status', 'code', 'issues'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    code: { type: 'string' },
    issues: { type: 'array', maxItems: MOST_TOLD, items: { $ref: '#/components/schemas/Issue' } },
    more: { type: 'integer', description: 'How many other issues there are.' },
  },
};

function operationOf(route: Route, schemas: Record<string, Schema>): Schema {
  const problem = { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } };
  const isPublic = PERMISSIONS[route.permission] === 'anyone';
  return {
    summary: route.summary,
    tags: [tagOf(route)],
    ...(isPublic && { security: [] }),
    parameters: [...pathParameters(route), ...queryParameters(route, schemas)],
    ...requestBody(route, schemas),
    responses: {
      ...answerOf(route),
      default: { description: 'What was refused, and why.', content: problem },
    },
  };
}

function answerOf({ answers, sends }: Route): Schema {
  if (sends) return { '200': { description: 'A file.', content: { [sends]: {} } } };
  if (!answers) return { '204': { description: 'Done.' } };
  const schema = (ANSWERS.answers as Record<string, Schema>)[answers];
  return { '200': { description: answers, content: { 'application/json': { schema } } } };
}

/** By the first word of its path, "table-views" as "Table views". */
function tagOf({ path }: Route): string {
  const words = (path.split('/')[1] ?? '').replaceAll('-', ' ');
  const name = words === 'me' ? 'own access' : words;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

function pathParameters({ path }: Route): Schema[] {
  return [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: name === 'id' || name?.endsWith('Id') ? { type: 'integer', minimum: 1 } : { type: 'string' },
  }));
}

function queryParameters({ query }: Route, schemas: Record<string, Schema>): Schema[] {
  if (!query) return [];
  const { properties, required } = schemaOf(query as unknown as DtoClass, schemas);
  return Object.entries(properties as Record<string, Schema>).map(([name, schema]) => ({
    name,
    in: 'query',
    required: (required as string[]).includes(name),
    schema,
  }));
}

function requestBody({ body, file }: Route, schemas: Record<string, Schema>): Schema {
  if (file) {
    const schema = { type: 'object', required: [file], properties: { [file]: { type: 'string', format: 'binary' } } };
    return { requestBody: { required: true, content: { 'multipart/form-data': { schema } } } };
  }
  if (!body) return {};
  return { requestBody: { required: true, content: { 'application/json': { schema: reference(body, schemas) } } } };
}

function reference(dto: unknown, schemas: Record<string, Schema>): Schema {
  const { name } = dto as DtoClass;
  if (!schemas[name]) {
    schemas[name] = {};
    schemas[name] = schemaOf(dto as DtoClass, schemas);
  }
  return { $ref: `#/components/schemas/${name}` };
}

/** The JSON Schema of a DTO class, from what class-validator knows of its properties. */
function schemaOf(dto: DtoClass, schemas: Record<string, Schema>): Schema {
  const storage = getMetadataStorage();
  const rules = storage.getTargetValidationMetadatas(dto, '', true, false);
  const properties: Record<string, Schema> = {};
  const optional = new Set<string>();
  const nullable = new Set<string>();
  for (const { propertyName, name, type, constraints, each } of rules) {
    const schema = (properties[propertyName] ??= {});
    const limits = (constraints ?? []) as unknown[];
    if (type === ValidationTypes.CONDITIONAL_VALIDATION) {
      optional.add(propertyName);
      // What is checked only under a condition is checked unless it is null.
      if (name !== IS_OPTIONAL) nullable.add(propertyName);
    } else if (type === ValidationTypes.NESTED_VALIDATION)
      Object.assign(schema, nestedSchema(dto, propertyName, each, schemas));
    else if (name === ITEMS_RULE) Object.assign(schema, { items: reference(limits[0], schemas) });
    else if (each)
      Object.assign(schema, {
        type: 'array',
        items: { ...(schema['items'] as Schema | undefined), ...keywordsOf(name ?? '', limits) },
      });
    else Object.assign(schema, keywordsOf(name ?? '', limits));
  }
  for (const name of nullable) properties[name] = orNull(properties[name] ?? {});
  const required = Object.keys(properties).filter((name) => !optional.has(name));
  return { type: 'object', additionalProperties: false, required, properties };
}

function orNull(schema: Schema): Schema {
  if (typeof schema['type'] === 'string') return { ...schema, type: [schema['type'], 'null'] };
  return schema['$ref'] === undefined ? schema : { anyOf: [schema, { type: 'null' }] };
}

function nestedSchema(dto: DtoClass, property: string, isArray: boolean, schemas: Record<string, Schema>): Schema {
  const nested = propertiesOf(dto).get(property)?.typeIn({}) ?? null;
  if (!nested) return {};
  return isArray ? { type: 'array', items: reference(nested, schemas) } : reference(nested, schemas);
}

function keywordsOf(rule: string, [limit]: readonly unknown[]): Schema {
  switch (rule) {
    case 'isString':
      return { type: 'string' };
    case 'isBoolean':
      return { type: 'boolean' };
    case 'isInt':
      return { type: 'integer' };
    case 'isNumber':
      return { type: 'number' };
    case 'isObject':
      return { type: 'object' };
    case 'isArray':
      return { type: 'array' };
    case 'isIn':
      return { enum: limit };
    case 'maxLength':
      return { maxLength: limit };
    case 'arrayMaxSize':
      return { maxItems: limit };
    case 'min':
      return { minimum: limit };
    case 'max':
      return { maximum: limit };
    case 'matches':
      return { type: 'string', pattern: (limit as RegExp).source };
    default:
      return {};
  }
}
