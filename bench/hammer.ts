import { connect } from 'node:net';

const CONNECTIONS = 8;

/** An answer as it came. */
export interface RawAnswer {
  readonly status: number;
  /** Names and values in turn. */
  readonly headers: readonly string[];
  readonly body: Buffer;
}

const END_OF_HEAD = '\r\n\r\n';

function requestText(address: string, path: string, headers: Readonly<Record<string, string>>): string {
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}\r\n`);
  return `GET ${path} HTTP/1.1\r\nHost: ${new URL(address).host}\r\n${lines.join('')}\r\n`;
}

/** Asks once, and reads what comes until the connection ends. */
export async function askRaw(address: string, path: string, headers: Record<string, string>): Promise<RawAnswer> {
  const socket = connect(Number(new URL(address).port), 'localhost');
  socket.write(requestText(address, path, { ...headers, Connection: 'close' }));
  const parts: Buffer[] = [];
  for await (const part of socket) parts.push(part as Buffer);
  const all = Buffer.concat(parts);
  const end = all.indexOf(END_OF_HEAD);
  const [first = '', ...lines] = all.subarray(0, end).toString().split('\r\n');
  return {
    status: Number(first.split(' ')[1]),
    headers: lines.flatMap((line) => line.split(/: (.*)/s).slice(0, 2)),
    body: all.subarray(end + END_OF_HEAD.length),
  };
}

/**
 * Asks for the same again and again on a few connections, each kept open; answers the milliseconds an answer. It counts
 * bytes only, as each answer is as long as the first one, so that it takes little of the machine itself.
 */
export async function hammer(
  address: string,
  path: string,
  headers: Readonly<Record<string, string>>,
  forMs: number,
): Promise<number> {
  const text = requestText(address, path, headers);
  const length = await lengthOfAnswer(address, text);
  const until = performance.now() + forMs;
  const startedAt = performance.now();
  let answers = 0;
  const one = (): Promise<void> =>
    new Promise((resolve, reject) => {
      const socket = connect(Number(new URL(address).port), 'localhost');
      let read = 0;
      socket.on('error', reject);
      socket.on('data', (part: Buffer) => {
        read += part.length;
        if (read < length) return;
        read -= length;
        answers++;
        if (performance.now() < until) socket.write(text);
        else socket.end(() => resolve());
      });
      socket.write(text);
    });
  await Promise.all(Array.from({ length: CONNECTIONS }, one));
  return (performance.now() - startedAt) / answers;
}

/** Bytes of an answer on a connection that stays open. */
function lengthOfAnswer(address: string, text: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const socket = connect(Number(new URL(address).port), 'localhost');
    let all = Buffer.alloc(0);
    socket.on('error', reject);
    socket.on('data', (part: Buffer) => {
      all = Buffer.concat([all, part]);
      const end = all.indexOf(END_OF_HEAD);
      if (end === -1) return;
      const told = /content-length: (\d+)/i.exec(all.subarray(0, end).toString())?.[1] ?? '0';
      const length = end + END_OF_HEAD.length + Number(told);
      if (all.length < length) return;
      socket.destroy();
      resolve(length);
    });
    socket.write(text);
  });
}
