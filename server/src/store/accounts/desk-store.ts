import { Op, QueryTypes } from 'sequelize';
import type { Models } from '../models.js';

/** Somebody else who has a listing open. */
export interface DeskMate {
  readonly userId: number;
  readonly name: string;
}

/** Which Desks are open, and in which listing. A Desk that hasn't been heard of for a while counts for closed. */
export class DeskStore {
  constructor(private readonly models: Models) {}

  /** Notes where a Desk is; null for in no listing. Forgets those that weren't heard of since a moment. */
  async note(desk: string, userId: number, listingId: number | null, now: number, forgotten: number): Promise<void> {
    await this.models.openDesks.destroy({ where: { [Op.or]: [{ seenAt: { [Op.lt]: forgotten } }, { desk }] } });
    if (listingId !== null) await this.models.openDesks.create({ desk, userId, listingId, seenAt: now });
  }

  /** Who else has a listing open, by name; heard of since a moment. */
  async mates(listingId: number, userId: number, since: number): Promise<DeskMate[]> {
    return this.models.openDesks.sequelize!.query<{ userId: number; name: string }>(
      'SELECT DISTINCT users."id" AS "userId", users."name" FROM open_desks JOIN users ON users."id" = open_desks."userId" ' +
        'WHERE "listingId" = :listingId AND "userId" <> :userId AND open_desks."seenAt" >= :since ORDER BY users."name"',
      { replacements: { listingId, userId, since }, type: QueryTypes.SELECT },
    );
  }
}
