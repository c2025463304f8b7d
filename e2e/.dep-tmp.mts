import { departuresTrial } from '/work/main/e2e/trials/departures.ts';
import { newDatabase, startPostgres } from '/work/main/e2e/harness/postgres.ts';
process.chdir('/work/main');
const pgs = await startPostgres();
console.log('PG', JSON.stringify(await departuresTrial(Number(process.argv[2]), 11, { database: await newDatabase(pgs.address), nodes: 2 })));
await pgs.stop();
process.exit(0);
