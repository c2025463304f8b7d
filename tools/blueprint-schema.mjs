// Writes docs/blueprint.schema.json from the classes that check blueprints; a test holds the two together.
import { writeFileSync } from 'node:fs';
import { blueprintSchema } from '../server/dist/src/http/blueprint-schema.js';
import { allRoutes } from '../server/dist/src/http/routes/index.js';

const text = `${JSON.stringify(blueprintSchema(allRoutes({})), null, 2)}\n`;
writeFileSync(new URL('../docs/blueprint.schema.json', import.meta.url), text);
