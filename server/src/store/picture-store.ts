import type { Models } from './models.js';
import type { Row } from './records.js';

/** What is known of a kept picture; its bytes lie in files beside the database. */
export interface PictureRecord {
  readonly hash: string;
  /** Size in pixels after turning it upright. */
  readonly width: number;
  readonly height: number;
  readonly fileName: string;
}

export class PictureStore {
  constructor(private readonly models: Models) {}

  async find(hash: string): Promise<PictureRecord | null> {
    const row = (await this.models.pictures.findByPk(hash, { raw: true })) as unknown as Row | null;
    if (!row) return null;
    return {
      hash: String(row['hash']),
      width: Number(row['width']),
      height: Number(row['height']),
      fileName: String(row['fileName']),
    };
  }

  async add(picture: PictureRecord, createdAt: number): Promise<void> {
    await this.models.pictures.upsert({ ...picture, createdAt });
  }
}
