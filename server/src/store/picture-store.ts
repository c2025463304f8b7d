import type { Models } from './models.js';
import type { Row } from './records.js';
import { Turns } from './turns.js';

/** What is known of a kept picture; its bytes lie in files beside the database. */
export interface PictureRecord {
  /** Of the kept file. */
  readonly hash: string;
  /** Stands for it in the change log. */
  readonly number: number;
  /** Size in pixels, upright. */
  readonly width: number;
  readonly height: number;
  readonly fileName: string;
  /** Of the file that was sent. */
  readonly source: string;
  /** Size of the kept file. */
  readonly bytes: number;
  readonly createdAt: number;
}

export function pictureOf(row: Row): PictureRecord {
  return {
    hash: String(row['hash']),
    number: Number(row['number']),
    width: Number(row['width']),
    height: Number(row['height']),
    fileName: String(row['fileName']),
    source: String(row['source']),
    bytes: Number(row['bytes']),
    createdAt: Number(row['createdAt']),
  };
}

export class PictureStore {
  /** Pictures are added one after the other, as each takes the next number. */
  private readonly turns = new Turns();

  constructor(private readonly models: Models) {}

  async find(hash: string): Promise<PictureRecord | null> {
    const row = await this.models.pictures.findByPk(hash, { raw: true });
    return row && pictureOf(row as unknown as Row);
  }

  /** The picture that was made from a file. */
  async bySource(source: string): Promise<PictureRecord | null> {
    const row = await this.models.pictures.findOne({ where: { source }, raw: true });
    return row && pictureOf(row as unknown as Row);
  }

  /** All of them, latest first. */
  async all(): Promise<PictureRecord[]> {
    const rows = await this.models.pictures.findAll({ order: [['number', 'DESC']], raw: true });
    return rows.map((row) => pictureOf(row as unknown as Row));
  }

  /** Takes out pictures that came for a change that failed. */
  async forget(hashes: readonly string[]): Promise<void> {
    await this.models.pictures.destroy({ where: { hash: [...hashes] } });
  }

  /** The greatest number that was ever given out; those of deleted pictures stay theirs, as deleting can be undone. */
  private async lastNumber(): Promise<number> {
    const kept = Number(await this.models.pictures.max('number')) || 0;
    const deleted = Number(await this.models.entries.max('entityId', { where: { entity: 'picture' } })) || 0;
    return Math.max(kept, deleted);
  }

  /** Adds a picture, or answers the one of the same hash. */
  add(picture: Omit<PictureRecord, 'number'>): Promise<PictureRecord> {
    return this.turns.take(() => this.addNext(picture));
  }

  private async addNext(picture: Omit<PictureRecord, 'number'>): Promise<PictureRecord> {
    const known = await this.find(picture.hash);
    if (known) return known;
    const number = (await this.lastNumber()) + 1;
    await this.models.pictures.upsert({ ...picture, number });
    return { ...picture, number };
  }
}
