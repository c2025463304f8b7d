import { resolve } from 'node:path';

/** What the environment says; everything has a working default. */
export interface Config {
  readonly port: number;
  /** Folder of the database and of the pictures. */
  readonly dataFolder: string;
  /** Whether the program stands behind a proxy that tells the visitor's address and protocol. */
  readonly trustProxy: boolean;
  readonly logLevel: string;
}

const DEFAULT_PORT = 4400;

export function configFrom(environment: Readonly<Record<string, string | undefined>>): Config {
  const port = Number(environment['PORT'] ?? DEFAULT_PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`PORT must be a whole number from 0 to 65535, not "${environment['PORT']}".`);
  }
  return {
    port,
    dataFolder: resolve(environment['PLINDO_DATA'] ?? '.plindo/site'),
    trustProxy: environment['PLINDO_TRUST_PROXY'] === 'yes',
    logLevel: environment['PLINDO_LOG'] ?? 'warn',
  };
}
