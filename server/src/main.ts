import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Logger } from 'pino';
import { pino } from 'pino';
import sharp from 'sharp';
import type { AssemblyParts } from './assemble.js';
import { assemble } from './assemble.js';
import { backupsBy } from './backup/backup-process.js';
import type { Config } from './config.js';
import { configFrom } from './config.js';
import { makeApp } from './http/app.js';
import { pageHeaders } from './http/security.js';
import { SiteRenderer } from './site/renderer.js';
import { shiftedClock } from './shifted-clock.js';
import { SitePages } from './site/site-pages.js';

/** What is written can be read by this user of the machine alone: folders 0700, files 0600. */
const OWN_FILES_ONLY = 0o077;
/** The program that makes backups; it lies beside this one, as a source file and in the build. */
const SAFEKEEPING = fileURLToPath(new URL('./safekeeping.js', import.meta.url));
const STOP_AFTER_IN_MS = 5000;
/**
 * How long a resting connection is kept. Proxies commonly keep theirs for 60 s (nginx, `keepalive_timeout` of its upstream
 * module); if the server closed first, a request that is on its way at that moment would be lost. Node.js keeps them for 5 s.
 */
const KEEP_CONNECTION_IN_MS = 75_000;

function assemblyParts(config: Config, log: Logger): AssemblyParts {
  return {
    folder: config.dataFolder,
    database: config.database,
    keyFile: config.keyFile,
    clock: shiftedClock(config.clockShiftFile),
    backups: { folder: config.backupFolder, run: backupsBy(SAFEKEEPING, process.env) },
    mail: { server: config.mailServer, sender: config.mailSender },
    tell: (error, sentence) => log.error({ err: error }, sentence),
    tellDoor: (event) => log.info(event, 'door'),
  };
}

/** Starts the server and prints where it is; `PLINDO_DEMO_SIGN_IN` is what the demo's launcher wants printed beside. */
async function main(): Promise<void> {
  process.umask(OWN_FILES_ONLY);
  // Making a picture smaller leaves the other cores to pages.
  sharp.concurrency(1);
  const config = configFrom(process.env);
  const log = pino({ level: config.logLevel });
  const { services, clock, repairs, close } = await assemble(assemblyParts(config, log));
  const { address: publicAddress } = config;
  if (publicAddress !== null && services.live.site().address !== publicAddress) {
    await services.site.save(null, { address: publicAddress });
  }
  const web = join(dirname(fileURLToPath(import.meta.url)), '../../../web/dist');
  const folders = { site: join(web, 'site'), desk: join(web, 'desk') };
  const sitePages = new SitePages(new SiteRenderer(folders.site), services.live, services.pages, pageHeaders());
  const { trustedProxies, pagesAMinute } = config;
  const budget = pagesAMinute === null ? null : { pagesAMinute, isShared: config.database !== null };
  const app = await makeApp({ services, log, trustedProxies, budget, web: { folders, sitePages } });
  // Express tells of a failure in the same place.
  const server = app.listen(config.port, config.host, (failure?: NodeJS.ErrnoException) => {
    if (!failure) return void greet(`http://localhost:${(server.address() as AddressInfo).port}`);
    const inUse = failure.code === 'EADDRINUSE';
    console.error(inUse ? `Port ${config.port} is in use. Set PORT to another one.` : failure.message);
    process.exit(1);
  });

  server.keepAliveTimeout = KEEP_CONNECTION_IN_MS;

  async function greet(here: string): Promise<void> {
    const address = publicAddress ?? here;
    for (const sentence of repairs) console.log(sentence);
    if (address !== here) console.log(`Here  ${here}/`);
    console.log(`Site  ${address}/`);
    console.log(`Desk  ${address}/desk/`);
    const secret = await services.accounts.setupSecret();
    if (secret) console.log(`Make the owner with this link, which works once:\n      ${address}/desk/setup#${secret}`);
    if (process.env['PLINDO_DEMO_SIGN_IN']) console.log(process.env['PLINDO_DEMO_SIGN_IN']);
    console.log(`Data  ${config.dataFolder}${config.database === null ? '' : ' and a PostgreSQL database'}`);
    clock.start();
    await services.live.settle().catch(tellUnkept);
    await sitePages.warmUp().catch((error: unknown) => log.error({ err: error }, 'No page could be rendered.'));
  }

  function tellUnkept(error: unknown): void {
    log.warn(error, 'The catalogs could not be kept; the next start will take longer.');
  }

  const stop = (): void => {
    server.close(() => void end());
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), STOP_AFTER_IN_MS).unref();
  };
  async function end(): Promise<void> {
    await services.live.keep().catch(tellUnkept);
    await close();
    process.exit(0);
  }
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  // What is refused says so in sentences; where in the program that happened helps nobody.
  console.error(error instanceof Error && !process.env['PLINDO_LOG'] ? error.message : error);
  process.exit(1);
});
