/** A row of a table, as a statement of SQL that both databases understand. */
export function insertion(table: string, row: Readonly<Record<string, unknown>>): string {
  const literal = (value: unknown): string => {
    if (typeof value === 'number' || typeof value === 'boolean') return String(value);
    return value === null
      ? 'NULL'
      : `'${(typeof value === 'string' ? value : JSON.stringify(value)).replaceAll("'", "''")}'`;
  };
  const names = Object.keys(row).map((name) => `"${name}"`);
  return `INSERT INTO ${table} (${names.join(', ')}) VALUES (${Object.values(row).map(literal).join(', ')})`;
}
