/** `npm run schemas`: writes the JSON Schemas of the open formats beside their documentation. */
import { writeFileSync } from 'node:fs';
import { jsonSchemas } from './json-schemas';

for (const [file, schema] of Object.entries(jsonSchemas())) {
  writeFileSync(`docs/formats/${file}`, `${JSON.stringify(schema, null, 2)}\n`);
}
