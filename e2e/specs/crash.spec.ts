import { crashTrial } from '../trials/crash.js';

const KILLS = 5;
const SEED = 20_261_128;

describe('A server that is killed in the middle of its work', () => {
  it('has everything that it acknowledged, nothing half done, and pages that tell what the store has', async () => {
    const { faults, acknowledged, undone } = await crashTrial(KILLS, SEED);
    expect(faults).toEqual([]);
    // Else nothing would have been tried.
    expect(acknowledged).toBeGreaterThan(KILLS * 5);
    expect(undone).toBeGreaterThan(0);
  }, 300_000);
});
