/** `./plindo trial NAME`: trials that take longer than tests may, on a server of their own. */
import { parseArgs } from 'node:util';
import { crashTrial } from './crash.js';
import { departuresTrial } from './departures.js';
import { firstStartsTrial } from './first-starts.js';
import { nodesTrial } from './nodes.js';
import { newDatabase } from '../harness/postgres.js';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { kills: { type: 'string', default: '50' }, seed: { type: 'string', default: String(Date.now() % 1e9) } },
});
const seed = Number(values.seed);
const postgres = process.env['PLINDO_TEST_POSTGRES'];
const database = postgres === undefined ? undefined : await newDatabase(postgres);

const TRIALS: Readonly<Record<string, () => Promise<{ readonly faults: readonly string[] }>>> = {
  crash: () => crashTrial(Number(values.kills), seed, database),
  departures: () => departuresTrial(Number(values.kills), seed, database === undefined ? {} : { database, nodes: 2 }),
  starts: () => firstStartsTrial(Number(values.kills), seed, postgres),
  nodes: () => nodesTrial(database!, seed, 25, 20),
};
const trial = TRIALS[positionals[0] ?? ''];
if (!trial || (positionals[0] === 'nodes' && database === undefined)) {
  console.log('crash  kills the server under load, --kills N times (50); --seed N');
  console.log('departures  kills the server while listings leave, --kills N times (50); with PostgreSQL two servers');
  console.log('starts  kills the server in its first start on an empty store, --kills N times (50)');
  console.log('nodes  edits through two nodes of one PostgreSQL database (PLINDO_TEST_POSTGRES)');
  process.exit(positionals.length === 0 ? 0 : 2);
}
const report = await trial();
console.log(JSON.stringify({ seed, database: database ? 'postgres' : 'sqlite', ...report }, null, 2));
process.exit(report.faults.length === 0 ? 0 : 1);
