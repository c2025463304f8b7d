import { resolve } from 'node:path';
import type { Kept } from './backup/backup.js';
import { makeBackup, restoreBackup } from './backup/backup.js';
import { checkKept } from './backup/check.js';
import { configFrom } from './config.js';
import { sqliteIn } from './store/index.js';

const OWN_FILES_ONLY = 0o077;

/** `./plindo backup FILE.zip`, `./plindo restore FILE.zip` and `./plindo check`; `--json` is for the server itself. */
async function main(): Promise<void> {
  process.umask(OWN_FILES_ONLY);
  const [command = '', ...rest] = process.argv.slice(2);
  const isForServer = rest.includes('--json');
  const [file] = rest.filter((one) => !one.startsWith('--'));
  const config = configFrom(process.env);
  const kept: Kept = {
    folder: config.dataFolder,
    database: config.database ?? sqliteIn(config.dataFolder),
  };
  if (command === 'check') return check(kept);
  if (file === undefined) throw new Error(`Say which file: ./plindo ${command} FILE.zip`);
  const path = resolve(file);
  const report = await (command === 'restore' ? restoreBackup(path, kept) : makeBackup(kept, path, new Date()));
  if (isForServer) return void console.log(JSON.stringify(report));
  const how = report.verified === 'restored' ? 'restored aside and compared' : 'its files compared';
  console.log(`${report.rows} rows, ${report.files} pictures and files; ${how}.`);
  console.log(command === 'restore' ? `Everything is in ${kept.folder}. Start Plindo.` : `The backup is ${path}.`);
}

async function check(kept: Kept): Promise<void> {
  const { listings, pictures, files, pages, faults } = await checkKept(kept, new Date());
  console.log(`Looked at ${listings} listings, ${pictures} pictures, ${files} files and ${pages} pages.`);
  for (const fault of faults) console.log(fault);
  if (faults.length > 0) process.exit(1);
  console.log('Nothing is wrong.');
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
