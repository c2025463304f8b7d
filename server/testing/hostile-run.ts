import { parseArgs } from 'node:util';
import type { Campaign } from './hostile-campaign.js';
import { HostileCampaign } from './hostile-campaign.js';

/** What `./plindo bench hostile` starts: both sorts of campaigns, each on a site of its own; prints what they came to as JSON. */
const { values } = parseArgs({
  options: { n: { type: 'string', default: '4000' }, seed: { type: 'string', default: '77' } },
});
const [requests, seed] = [Number(values.n), Number(values.seed)];
const reports: Record<string, Campaign> = {};
for (const sort of ['changed', 'byDocument'] as const) {
  const campaign = await HostileCampaign.start();
  reports[sort] = await campaign[sort](requests, seed);
  await campaign.stop();
}
console.log(JSON.stringify(reports));
