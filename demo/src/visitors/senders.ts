import { createHash } from 'node:crypto';
import type { Submission } from '@plindo/core/submissions';
import { Dice } from '@plindo/core/values';
import type { Assembly } from '@plindo/server/assemble';
import { Editing } from '@plindo/server/services/editing';

const DAY_IN_MS = 86_400_000;
const DAYS = 75;
/** On a plain day something comes in with this chance. */
const A_DAY = 0.4;
const LONGEST_WAIT_IN_DAYS = 6;

const MESSAGES = [
  'The telephone number is an old one.',
  'There is no electricity on the outer pontoon any more.',
  'The price went up this spring.',
  'The office closes at six now.',
  'You can’t fill up with water here in winter.',
];

/** Plays those who have told the office in the last months that something is wrong; the office has decided all of it. */
export async function playSenders({ services: { live }, store }: Pick<Assembly, 'services' | 'store'>): Promise<void> {
  const dice = new Dice(1866);
  const now = live.nowInMs();
  const kinds = live.kinds().filter(({ slug }) => ['berths', 'boatyards', 'harbours'].includes(slug));
  const told: Omit<Submission, 'id' | 'version'>[] = [];
  for (let ago = DAYS; ago > LONGEST_WAIT_IN_DAYS; ago--) {
    if (!dice.chance(A_DAY)) continue;
    const catalog = live.catalog(dice.pick(kinds).id)!;
    const rows = [...catalog.onSiteAt(now).toRows()];
    const listingId = catalog.ids[dice.pick(rows)]!;
    const createdAt = now - Math.round((ago - dice.next()) * DAY_IN_MS);
    const decidedAt = createdAt + Math.round(dice.next() ** 2 * LONGEST_WAIT_IN_DAYS * DAY_IN_MS);
    told.push({
      ...{ intent: 'wrong', state: dice.chance(0.7) ? 'accepted' : 'refused', formId: null },
      ...{ kindId: catalog.kind.id, listingId, title: catalog.titleOf(listingId), values: {}, was: null },
      ...{ message: dice.pick(MESSAGES), suspicions: [], reason: '' },
      ...{ createdAt, changedAt: decidedAt, decidedAt },
    });
  }
  await new Editing(store, live).change(null, async (unit) => {
    for (const [at, one] of told.entries()) {
      const hash = createHash('sha256').update(`played ${at}`).digest('hex');
      const sender = { name: '', email: `visitor-${at}@example.org`, userId: null };
      // Nobody holds the secret: the links of what was decided long ago lead nowhere.
      await unit.insertSubmission(one, {
        ...{ sender, consents: [], secretHash: hash, sealedSecret: '', fingerprint: hash },
      });
    }
    return { sentence: 'Kept what visitors had sent in before', result: null };
  });
}
