import type { StructureRecords } from '@plindo/core/plans';
import { NEW_SITE } from '@plindo/core/structure';
import { SITE_ID, Structure } from '@plindo/core/plans';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { categorySetOf, designOf, kindOf, linkOf, parsed, selectionOf } from '../records.js';
import type { Row } from '../rows.js';
import { rowsOf } from '../rows.js';

/** Reads the records that a structure is made of. */
export class StructureRows {
  private readonly made = new WeakMap<StructureRecords, Structure>();

  constructor(private readonly models: Models) {}

  /** The records as they are in a transaction; their version is the place in the feed at which they were read. */
  async read(version: number, transaction: Transaction): Promise<StructureRecords> {
    const order: [string, string][] = [['id', 'ASC']];
    const all = async (name: 'kinds' | 'categorySets' | 'links' | 'selections' | 'designs' | 'site'): Promise<Row[]> =>
      rowsOf(this.models[name], { order, transaction });
    const kinds = (await all('kinds')).filter((row) => !row['removed']);
    const site = (await all('site')).find(({ id }) => id === SITE_ID);
    return {
      version,
      site: site ? parsed(site['settings']) : NEW_SITE,
      kinds: kinds.filter((row) => row['importId'] === null).map(kindOf),
      coming: kinds.filter((row) => row['importId'] !== null).map(kindOf),
      sets: (await all('categorySets')).map(categorySetOf),
      links: (await all('links')).map(linkOf),
      selections: (await all('selections')).map(selectionOf),
      designs: (await all('designs')).map(designOf),
    };
  }

  /** The structure that records make up, made once of the same ones. */
  of(records: StructureRecords): Structure {
    const made = this.made.get(records) ?? new Structure(records);
    this.made.set(records, made);
    return made;
  }
}
