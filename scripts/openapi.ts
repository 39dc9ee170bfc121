// Writes docs/openapi.json from the contract.
import { writeFile } from 'node:fs/promises';
import { openApiOf } from './openapi-document';

await writeFile('docs/openapi.json', `${JSON.stringify(openApiOf(), null, 1)}\n`);
console.log('docs/openapi.json is written.');
