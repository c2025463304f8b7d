import type { DoorEventName } from '@plindo/core/contract';
import { Op } from 'sequelize';
import type { Models } from '../models.js';
import { numberOrNull } from '../records.js';
import type { Row } from '../rows.js';
import { rowsOf } from '../rows.js';

/** Something that happened at the door: who came in, who was refused, and whose access was changed. */
export interface DoorEventRecord {
  readonly at: number;
  readonly what: DoorEventName;
  /** Who did it; null for somebody who isn't known. */
  readonly userId: number | null;
  /** The address that they gave, or have. */
  readonly email: string;
  readonly address: string;
  /** What it was about, in words; '' for nothing more. */
  readonly about: string;
}

const LONGEST_EMAIL = 254;
const LONGEST_ADDRESS = 60;

/** What happened at the door, for as long as it is kept. */
export class DoorLogStore {
  constructor(private readonly models: Models) {}

  /** Writes an event down, and takes away what is older than a moment. */
  async add(event: DoorEventRecord, keptFrom: number): Promise<void> {
    const email = event.email.slice(0, LONGEST_EMAIL);
    await this.models.doorLog.create({ ...event, email, address: event.address.slice(0, LONGEST_ADDRESS) });
    await this.models.doorLog.destroy({ where: { at: { [Op.lt]: keptFrom } } });
  }

  /** The latest events, the last one first. */
  async latest(most: number): Promise<DoorEventRecord[]> {
    const rows = await rowsOf(this.models.doorLog, { order: [['id', 'DESC']], limit: most });
    return rows.map(eventOf);
  }

  /** What is kept of somebody, the last one first. */
  async of(userId: number): Promise<DoorEventRecord[]> {
    return (await rowsOf(this.models.doorLog, { where: { userId }, order: [['id', 'DESC']] })).map(eventOf);
  }
}

function eventOf(row: Row): DoorEventRecord {
  return {
    at: Number(row['at']),
    what: row['what'] as DoorEventName,
    userId: numberOrNull(row['userId']),
    email: String(row['email']),
    address: String(row['address']),
    about: String(row['about']),
  };
}
