import type { Structure } from '@plindo/core/plans';
import type { ImportBatch, ImportStart, ImportState, User } from '@plindo/core/contract';
import { MOST_REPORTS, readBatch } from '@plindo/core/exchange';
import { firstDesigns, newKindIssues } from '@plindo/core/plans';
import { ReadContexts, kindOfImport } from '@plindo/core/structure';
import type { Kind, ReadContext } from '@plindo/core/structure';
import { isSame, Refusal, refuseIfAny } from '@plindo/core/values';
import { Telling } from '../notices/telling.js';
import type { Live } from '../../live/live.js';
import type { ImportRecord, Store, Unit } from '../../store/index.js';
import { addRows } from './adding-rows.js';

/** So long an import counts as running after its node has last said so; nodes say so more often. */
export const LEASE_IN_MS = 15_000;
const SAY_EVERY_IN_MS = 5000;
/** An import of which nothing has come for so long is given up. */
const LONGEST_SILENCE_IN_MS = 10 * 60_000;

/** What a node remembers of an import that it takes in, so that it needn't ask for it anew with every batch. */
interface Memory {
  /** Of how many rows; another number in the store means that another node has taken in some. */
  seen: number;
  slugs: Set<string>;
  heardAt: number;
  /** By the offset of a batch that came before the ones that go before it: what lets it go on. */
  readonly early: Map<number, () => void>;
}

/** A batch that came early waits so long for those before it. */
const LONGEST_EARLY_IN_MS = 10_000;

/**
 * Files on their way in. An import is one open change: the kind first, then each batch of rows in a transaction of its
 * own. How far it is stands in the store, so that any node can go on with it. It shows on no page before it is finished,
 * and leaves nothing behind when it is cancelled or nobody answers for it any more.
 */
export class Imports {
  private readonly memories = new Map<number, Memory>();
  private readonly contexts = new ReadContexts();
  private watching: NodeJS.Timeout | null = null;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    /** Names this node. */
    private readonly node: string,
    private readonly clock: () => Date,
  ) {}

  async start(user: User, { fileName, rows, policy, kind }: ImportStart): Promise<ImportState> {
    const { result } = await this.store.openChange(user.id, `Bringing in ${fileName}`, async (unit, id) => {
      const definition = kindOfImport(kind, unit.structure.words);
      refuseIfAny(newKindIssues(unit.structure.complete(definition), unit.structure));
      const { id: kindId } = await unit.insertKind(definition, id);
      const nothing = { seen: 0, added: 0, refused: 0, reports: [] };
      const record: ImportRecord = {
        ...{ id, userId: user.id, kindId, fileName, policy, rows, ...nothing, state: 'running' },
        ...{ node: this.node, leaseUntil: unit.now + LEASE_IN_MS },
      };
      await unit.addImport(record);
      return record;
    });
    this.memories.set(result.id, { seen: 0, slugs: new Set(), heardAt: this.now(), early: new Map() });
    return stateOf(result, 'running');
  }

  /**
   * Takes in the next rows, in one transaction. A batch may be sent before the one before it is answered: it is read
   * meanwhile, and waits. Refused by `import.order` where a batch was taken in
   * already, and by `import.gone`.
   */
  async takeIn(user: User, id: number, { offset, rows }: ImportBatch): Promise<ImportState> {
    const before = await this.find(user, id);
    const basis = await this.basisOf(before);
    const read = basis && readBatch(rows, basis.kind, before.policy, basis.context);
    await this.waitForTurn(id, offset);
    const memory = this.memories.get(id);
    const { after, slugs, own } = await this.store.continueChange(id, async (unit) => {
      const record = await found(unit, user, id);
      const isInPlace = offset === record.seen && offset + rows.length <= record.rows;
      if (!isInPlace) throw Refusal.of('import.order', { found: offset, wanted: record.seen });
      const kind = comingKind(unit.structure, record);
      if (!kind) throw Refusal.of('import.gone');
      const isAsRead = basis !== null && isSameBasis(basis, { kind, context: unit.context() });
      const present = isAsRead ? read! : readBatch(rows, kind, record.policy, unit.context());
      const known = memory?.seen === record.seen ? memory.slugs : await unit.slugsOf(kind.id);
      const { taken, reports } = await addRows(unit, kind, present, known);
      const next: ImportRecord = {
        ...record,
        ...{ seen: offset + rows.length, added: record.added + taken.size },
        refused: record.refused + reports.length,
        reports: [...record.reports, ...reports].slice(0, MOST_REPORTS),
        ...{ node: this.node, leaseUntil: unit.now + LEASE_IN_MS },
      };
      if (!(await unit.imports.advance(record, next, unit.transaction))) throw Refusal.of('import.gone');
      return { after: next, slugs: known, own: taken };
    });
    // Only now, as a batch that fails takes no addresses.
    for (const slug of own) slugs.add(slug);
    const early = memory?.early ?? new Map<number, () => void>();
    this.memories.set(id, { seen: after.seen, slugs, heardAt: this.now(), early });
    early.get(after.seen)?.();
    return stateOf(after, 'running');
  }

  /** By what the rows of an import are read, as far as this node knows; null where it doesn't. */
  private async basisOf(record: ImportRecord): Promise<Basis | null> {
    const structure = await this.store.structure();
    const kind = comingKind(structure, record);
    return kind ? { kind, context: this.contexts.of(structure.site, this.now()) } : null;
  }

  /** When the batches before an offset that this node takes in are in; or after a while, when they never came. */
  private async waitForTurn(id: number, offset: number): Promise<void> {
    const memory = this.memories.get(id);
    if (!memory || memory.seen >= offset) return;
    await new Promise<void>((resolve) => {
      const late = setTimeout(resolve, LONGEST_EARLY_IN_MS);
      memory.early.set(offset, () => {
        clearTimeout(late);
        resolve();
      });
    });
    memory.early.delete(offset);
  }

  /**
   * Ends an import of which all rows have come in; from now on its kind is seen. Refused by `import.gone` and
   * `import.unfinished`.
   */
  async finish(user: User, id: number): Promise<ImportState> {
    await this.find(user, id);
    const { result, number } = await this.store.completeChange(id, async (unit) => {
      const record = await found(unit, user, id);
      const { seen, rows } = record;
      if (seen < rows) throw Refusal.of('import.unfinished', { seen, rows });
      const kind = comingKind(unit.structure, record);
      if (!kind) throw Refusal.of('import.gone');
      await unit.showKind(record.kindId);
      await addFirstDesigns(unit, kind);
      const done: ImportRecord = { ...record, state: 'done' };
      if (!(await unit.imports.advance(record, done, unit.transaction))) throw Refusal.of('import.gone');
      const values = {
        who: user.name,
        count: record.added,
        many: kind.many,
        file: record.fileName,
        refused: record.refused,
      };
      await new Telling(unit).tellOfSite('import-finished', String(id), values, [user.email]);
      return { sentence: `Brought in ${record.added} ${kind.many} from ${record.fileName}`, result: done };
    });
    this.memories.delete(id);
    if (number !== null) await this.live.caughtUp(number);
    return stateOf(result, 'done');
  }

  async cancel(user: User, id: number): Promise<ImportState> {
    const record = await this.find(user, id);
    await this.store.dropOpenChange(id, async (unit) => {
      await found(unit, user, id);
      return true;
    });
    this.memories.delete(id);
    return { ...stateOf(record, 'cancelled'), added: 0 };
  }

  /** How far an import of the user is. Refused by `import.gone`. */
  async state(user: User, id: number): Promise<ImportState> {
    const record = await this.store.imports.find(id);
    if (record?.userId !== user.id) throw Refusal.of('import.gone');
    return stateOf(record, record.state);
  }

  /** Takes back imports for which nobody answers any more; says what it did. */
  async repair(): Promise<string[]> {
    const sentences: string[] = [];
    for (const { id, fileName } of await this.store.imports.abandoned(this.now())) {
      const isDropped = await this.store.dropOpenChange(id, async (unit) => {
        const record = await unit.imports.find(id, unit.transaction);
        return record?.state === 'running' && record.leaseUntil <= this.now();
      });
      if (isDropped) sentences.push(`Took back an unfinished import (Bringing in ${fileName}).`);
    }
    return sentences;
  }

  /** From now on says that this node's imports are running, and takes back those that others have left. */
  watch(tell: (error: unknown, sentence: string) => void): void {
    this.watching = setInterval(() => {
      void this.look().catch((error: unknown) => tell(error, 'Running imports could not be looked after.'));
    }, SAY_EVERY_IN_MS);
    this.watching.unref();
  }

  /** Gives up what this node answers for, as it is about to stop. */
  async stop(): Promise<void> {
    if (this.watching) clearInterval(this.watching);
    await this.store.imports.extendLeases(this.node, [...this.memories.keys()], this.now());
    this.memories.clear();
  }

  private async look(): Promise<void> {
    for (const [id, { heardAt }] of this.memories) {
      if (this.now() - heardAt > LONGEST_SILENCE_IN_MS) this.memories.delete(id);
    }
    await this.store.imports.extendLeases(this.node, [...this.memories.keys()], this.now() + LEASE_IN_MS);
    await this.repair();
  }

  private async find(user: User, id: number): Promise<ImportRecord> {
    const record = await this.store.imports.find(id);
    if (record?.userId !== user.id || record.state !== 'running') throw Refusal.of('import.gone');
    return record;
  }

  private now(): number {
    return this.clock().getTime();
  }
}

/** An import as it is in the unit; refused when it is no longer running, or somebody else's. */
async function found(unit: Unit, user: User, id: number): Promise<ImportRecord> {
  const record = await unit.imports.find(id, unit.transaction);
  if (record?.userId !== user.id || record.state !== 'running') throw Refusal.of('import.gone');
  return record;
}

/** By what rows are read. */
interface Basis {
  readonly kind: Kind;
  readonly context: ReadContext;
}

function isSameBasis(one: Basis, other: Basis): boolean {
  const isSameScene = one.context.locale === other.context.locale && one.context.zone === other.context.zone;
  return isSameScene && isSame(one.kind.fields, other.kind.fields);
}

/** So that the kind looks finished before anybody designs. */
async function addFirstDesigns(unit: Unit, kind: Kind): Promise<void> {
  let position = Math.max(0, ...unit.structure.designs.map((design) => design.position));
  for (const design of firstDesigns(kind)) await unit.insertDesign({ ...design, position: ++position });
}

/** The kind that comes with an import; undefined when it is gone. */
function comingKind({ coming }: Structure, { kindId }: ImportRecord): Kind | undefined {
  return coming.find(({ id }) => id === kindId);
}

function stateOf(record: ImportRecord, state: ImportState['state']): ImportState {
  const { id, kindId, rows, seen, added, refused, reports } = record;
  return { id, kindId, state, rows, seen, added, refused, reports };
}
