import { openApiDocument } from './openapi.js';
import type { Route } from './route.js';

type Schema = Record<string, unknown>;

const ROOT = 'BlueprintDto';
const REFERENCE = /#\/components\/schemas\/(\w+)/g;

/** The JSON Schema (2020-12) of blueprints, made from the same classes that check them. */
export function blueprintSchema(routes: readonly Route[]): Schema {
  const { components } = openApiDocument(routes) as { components: { schemas: Record<string, Schema> } };
  const definitions: Record<string, Schema> = {};
  const take = (name: string): void => {
    const schema = components.schemas[name];
    if (!schema || definitions[name]) return;
    definitions[name] = JSON.parse(JSON.stringify(schema).replace(REFERENCE, '#/$defs/$1')) as Schema;
    for (const [, inner] of JSON.stringify(schema).matchAll(REFERENCE)) take(inner!);
  };
  take(ROOT);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Plindo blueprint, version 1',
    $ref: `#/$defs/${ROOT}`,
    $defs: definitions,
  };
}
