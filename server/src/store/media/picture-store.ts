import type { PictureRecord } from '@plindo/core/structure';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { pictureOf } from '../records.js';
import { rowOf, rowsOf } from '../rows.js';

/** Runs work in the one transaction that writes. */
export type Writing = <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;

/** What is known of kept pictures; their bytes lie in files beside the database. */
export class PictureStore {
  constructor(
    private readonly models: Models,
    private readonly writing: Writing,
  ) {}

  async find(hash: string, transaction?: Transaction): Promise<PictureRecord | null> {
    const row = await rowOf(this.models.pictures, { where: { hash }, transaction });
    return row && pictureOf(row);
  }

  /** The picture that was made from a file. */
  async bySource(source: string): Promise<PictureRecord | null> {
    const row = await rowOf(this.models.pictures, { where: { source } });
    return row && pictureOf(row);
  }

  /** All of them, latest first. */
  async all(): Promise<PictureRecord[]> {
    return (await rowsOf(this.models.pictures, { order: [['number', 'DESC']] })).map(pictureOf);
  }

  /** Takes out pictures that came for a change that failed. */
  async forget(hashes: readonly string[]): Promise<void> {
    await this.models.pictures.destroy({ where: { hash: [...hashes] } });
  }

  /** Adds a picture, or answers the one of the same hash. */
  add(picture: Omit<PictureRecord, 'number'>): Promise<PictureRecord> {
    return this.writing(async (transaction) => {
      const known = await this.find(picture.hash, transaction);
      if (known) return known;
      const number = (await this.lastNumber(transaction)) + 1;
      await this.models.pictures.create({ ...picture, number }, { transaction });
      return { ...picture, number };
    });
  }

  /** The greatest number that was ever given out; those of deleted pictures stay theirs, as deleting can be undone. */
  private async lastNumber(transaction: Transaction): Promise<number> {
    const kept = Number(await this.models.pictures.max('number', { transaction })) || 0;
    const where = { entity: 'picture' };
    const deleted = Number(await this.models.entries.max('entityId', { where, transaction })) || 0;
    return Math.max(kept, deleted);
  }
}
