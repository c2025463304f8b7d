import type { IncomingHttpHeaders, RequestListener, Server } from 'node:http';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A server on a free port. */
export function listening(answer: RequestListener): Promise<Server> {
  return new Promise((resolve) => {
    const server = createServer(answer).listen(0, () => resolve(server));
  });
}

export interface RawAnswer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly body: Buffer;
}

/** Asks once, and takes what comes as it comes, packed as it is. */
export function askRaw(
  server: Server,
  path: string,
  headers: Readonly<Record<string, string>> = {},
  method = 'GET',
): Promise<RawAnswer> {
  const { port } = server.address() as AddressInfo;
  return new Promise((resolve, reject) => {
    const sent = request({ port, path, headers, method, agent: false }, (response) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => {
        resolve({ status: response.statusCode ?? 0, headers: response.headers, body: Buffer.concat(parts) });
      });
    });
    sent.on('error', reject);
    sent.end();
  });
}
