/**
 * A server that sends the same bytes to everybody, and nothing to who has them: Express, and nothing else. Its port comes
 * on its standard output.
 */
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import express from 'express';

const { headers, body } = JSON.parse(readFileSync(process.argv[2]!, 'utf8')) as { headers: string[]; body: string };
const bytes = Buffer.from(body, 'base64');
// What says how a body comes has no place in an answer without one.
const bare = headers.filter((_, at) => !/^content-(length|encoding)$/i.test(headers[at - (at % 2)]!));
const app = express();
app.disable('x-powered-by');
app.use((request, response) => {
  if (request.headers['if-none-match'] !== undefined) response.writeHead(304, bare).end();
  else response.writeHead(200, headers).end(bytes);
});
const server = app.listen(0, () => console.log((server.address() as AddressInfo).port));
