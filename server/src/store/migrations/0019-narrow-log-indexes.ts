import type { Tables } from './tables.js';

/** Few entries of the log are about connections; the others needn't stand in the indexes of their ends. */
export async function up(tables: Tables): Promise<void> {
  for (const end of ['A', 'B']) {
    await tables.run(`DROP INDEX change_entries_end_${end.toLowerCase()}`);
    const index = `CREATE INDEX change_entries_with_end_${end.toLowerCase()}`;
    await tables.run(`${index} ON change_entries ("end${end}") WHERE "end${end}" IS NOT NULL`);
  }
}
