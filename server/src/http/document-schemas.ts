import { openApiDocument } from './openapi.js';
import type { Route } from './route.js';

type Schema = Record<string, unknown>;

const REFERENCE = /#\/components\/schemas\/(\w+)/g;

/** The documents that Plindo writes and reads, with the classes that check them. */
export const DOCUMENTS = {
  blueprint: { root: 'BlueprintDto', title: 'Plindo blueprint, version 1' },
  'starter-file': { root: 'StarterFileDto', title: 'Plindo starter, version 1' },
} as const;

/** The JSON Schema (2020-12) of a document, made from the same classes that check it. */
export function documentSchema(name: keyof typeof DOCUMENTS, routes: readonly Route[]): Schema {
  const { root, title } = DOCUMENTS[name];
  const { components } = openApiDocument(routes) as { components: { schemas: Record<string, Schema> } };
  const definitions: Record<string, Schema> = {};
  const take = (name: string): void => {
    const schema = components.schemas[name];
    if (!schema || definitions[name]) return;
    definitions[name] = JSON.parse(JSON.stringify(schema).replace(REFERENCE, '#/$defs/$1')) as Schema;
    for (const [, inner] of JSON.stringify(schema).matchAll(REFERENCE)) take(inner!);
  };
  take(root);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title,
    $ref: `#/$defs/${root}`,
    $defs: definitions,
  };
}
