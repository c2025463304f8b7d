/** A server that sends the same bytes to everybody: Express, and nothing else. Its port comes on its standard output. */
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import express from 'express';

const { headers, body } = JSON.parse(readFileSync(process.argv[2]!, 'utf8')) as { headers: string[]; body: string };
const bytes = Buffer.from(body, 'base64');
const app = express();
app.disable('x-powered-by');
app.use((_request, response) => void response.writeHead(200, headers).end(bytes));
const server = app.listen(0, () => console.log((server.address() as AddressInfo).port));
