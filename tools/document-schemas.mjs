// Writes docs/blueprint.schema.json and docs/starter-file.schema.json from the classes that check them; a test holds them together.
import { writeFileSync } from 'node:fs';
import { DOCUMENTS, documentSchema } from '../server/dist/src/http/document-schemas.js';
import { allRoutes } from '../server/dist/src/http/routes/index.js';

for (const name of Object.keys(DOCUMENTS)) {
  const text = `${JSON.stringify(documentSchema(name, allRoutes({})), null, 2)}\n`;
  writeFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), text);
}
