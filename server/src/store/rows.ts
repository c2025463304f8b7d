import type { FindOptions, Model, ModelStatic } from 'sequelize';

/** A row as the database gives it. */
export type Row = Readonly<Record<string, unknown>>;

/** So many values fit into one list of a statement, and so many rows into one insertion. */
const MOST_AT_ONCE = 500;

/**
 * Rows as they are, by the columns that were asked for. Sequelize's own types say that it makes models of them, which it
 * doesn't when it is asked for raw rows; this is the one place where that is set right.
 */
export async function rowsOf<T = Row>(model: ModelStatic<Model>, options: FindOptions): Promise<T[]> {
  return (await model.findAll({ ...options, raw: true })) as unknown as T[];
}

/** The first such row; null for none. */
export async function rowOf<T = Row>(model: ModelStatic<Model>, options: FindOptions): Promise<T | null> {
  const [row] = await rowsOf<T>(model, { ...options, limit: 1 });
  return row ?? null;
}

/** A list in parts that fit into one statement. */
export function* inParts<T>(list: readonly T[], most = MOST_AT_ONCE): Generator<T[]> {
  for (let start = 0; start < list.length; start += most) yield list.slice(start, start + most);
}
