import type { Changed, User } from '@plindo/core/contract';
import type { Structure } from '@plindo/core/plans';
import { brokenDesigns } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { ChangeMeans, Store, Unit, Written } from '../store/index.js';

/** Carries out changes: decided and written in one unit of the store, then waited for until this node's answers show it. */
export class Editing {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** `user` is null for what the program does by itself. */
  async change<T>(
    user: User | null,
    work: (unit: Unit) => Promise<Written<T>>,
    means?: ChangeMeans,
  ): Promise<Changed<T>> {
    const { changeId, result, number } = await this.store.change(user?.id ?? null, work, means);
    if (number !== null) await this.live.caughtUp(number);
    return { changeId, result };
  }
}

/** A kind, complete, as it is in a unit; refused when there is none. */
export function kindIn(unit: Unit, id: number): Kind {
  const kind = unit.structure.kind(id);
  if (!kind) throw Refusal.of('request.not-found');
  return kind;
}

/** Refuses what would break designs that are kept; `before` is the structure as it was. */
export function refuseIfBreaking(unit: Unit, before: Structure): void {
  refuseIfAny(brokenDesigns(before, unit.structure, unit.context()));
}

/** Refuses what was changed since it was read, by its version. */
export function refuseOutdated(before: { readonly version: number }, version: number, title: string): void {
  if (before.version !== version) throw Refusal.of('change.conflict', { title });
}
