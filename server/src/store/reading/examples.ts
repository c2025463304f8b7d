import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { rowsOf } from '../rows.js';

/** By the numbers of the listings that came as examples, gone ones among them, a hash of what each came as. */
export async function readExamples({ examples }: Models, transaction?: Transaction): Promise<Map<number, string>> {
  const rows = await rowsOf<{ listingId: number; asItCame: string }>(examples, transaction ? { transaction } : {});
  return new Map(rows.map(({ listingId, asItCame }) => [listingId, asItCame]));
}
