import type { Design } from '@plindo/core/design';
import { isPublished } from '@plindo/core/design';
import type { ChangeEntry } from '@plindo/core/plans';
import type { ErrorCode } from '@plindo/core/values';
import { Refusal, foldText } from '@plindo/core/values';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { rowOf } from '../rows.js';

/** What people call kinds, category sets, selections, and the designs of a kind; each may be used once, without regard to case and accents. */
interface Named {
  readonly scope: 'kind' | 'category-set' | 'selection' | 'design';
  readonly ownerId: number;
  readonly names: readonly string[];
}

const CODES: Readonly<Record<Named['scope'], ErrorCode>> = {
  kind: 'kind.label-taken',
  'category-set': 'category.set-taken',
  selection: 'selection.taken',
  design: 'design.taken',
};

/** Keeps the table of names in step with what a unit has written, at its end; refused where a name is taken. */
export async function followNames(
  models: Models,
  transaction: Transaction,
  entries: readonly ChangeEntry[],
): Promise<void> {
  const changed = new Map<string, readonly [Named | null, Named | null]>();
  for (const entry of entries) {
    const [before, after] = [namedOf(entry, 'before'), namedOf(entry, 'after')];
    const key = `${entry.entity} ${entry.id}`;
    if (before ?? after) changed.set(key, [changed.get(key)?.[0] ?? before, after]);
  }
  const moved = [...changed.values()].filter(([before, after]) => textOf(before) !== textOf(after));
  for (const [before] of moved) {
    if (before) {
      const { scope, ownerId } = before;
      await models.takenNames.destroy({ where: { scope, ownerId }, transaction });
    }
  }
  for (const [, after] of moved) if (after) await take(models, transaction, after);
}

async function take(models: Models, transaction: Transaction, { scope, ownerId, names }: Named): Promise<void> {
  for (const label of names) {
    const name = foldText(label);
    const taken = await rowOf<{ ownerId: number }>(models.takenNames, { where: { scope, name }, transaction });
    if (taken && taken.ownerId !== ownerId) throw Refusal.of(CODES[scope], { label, name: label, type: scope });
    if (!taken) await models.takenNames.create({ scope, name, ownerId }, { transaction });
  }
}

function namedOf(entry: ChangeEntry, side: 'before' | 'after'): Named | null {
  const { id: ownerId } = entry;
  if (entry.entity === 'kind') {
    const kind = entry[side];
    return kind && { scope: 'kind', ownerId, names: [kind.definition.one, kind.definition.many] };
  }
  if (entry.entity === 'category-set') {
    const set = entry[side];
    return set && { scope: 'category-set', ownerId, names: [set.label] };
  }
  if (entry.entity === 'selection') {
    const selection = entry[side];
    return selection && { scope: 'selection', ownerId, names: [selection.name] };
  }
  if (entry.entity === 'design') {
    const design = entry[side];
    // A draft has the name of what it comes in the place of.
    return design && isPublished(design)
      ? { scope: 'design', ownerId, names: [nameOfDesign(design), ...addressOf(design)] }
      : null;
  }
  return null;
}

/** A page that stands by itself holds its address. */
function addressOf(design: Design): string[] {
  const address = design.type === 'page' ? design.definition.address : '';
  return address === '' ? [] : [`address: ${address}`];
}

/** A design by its name among all; two of one sort and kind must not have the same. */
export function nameOfDesign({ type, kindId, definition }: Design): string {
  return `${type} ${kindId ?? 'site'}: ${definition.name}`;
}

function textOf(named: Named | null): string {
  return named ? JSON.stringify(named.names.map(foldText)) : '';
}
