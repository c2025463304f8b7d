import type { ImportBatch, ImportStart, ImportState, User } from '@plindo/core/contract';
import type { BadValuePolicy, RowReport } from '@plindo/core/exchange';
import { MOST_REPORTS, readImportRow } from '@plindo/core/exchange';
import { UniqueValues } from '@plindo/core/catalog';
import type { ListingContent } from '@plindo/core/listings';
import type { Field } from '@plindo/core/structure';
import { checkKind, kindOfImport } from '@plindo/core/structure';
import { firstFreeSlug } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

interface RunningImport {
  readonly userId: number;
  readonly changeId: number;
  readonly kindId: number;
  readonly many: string;
  readonly fileName: string;
  readonly fields: readonly Field[];
  readonly policy: BadValuePolicy;
  readonly slugs: Set<string>;
  readonly uniques: UniqueValues;
  state: ImportState;
}

/**
 * Files on their way in. An import is one open change: the kind first, then each batch of rows in a transaction of its
 * own; it shows on no page before it is finished, and leaves nothing behind when it is cancelled or the server stops.
 */
export class Imports {
  private readonly running = new Map<number, RunningImport>();

  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async start(user: User, { fileName, rows, policy, kind }: ImportStart): Promise<ImportState> {
    const definition = kindOfImport(kind);
    const { fields } = definition;
    refuseIfAny(checkKind(definition, this.live.kinds()));
    const head = { userId: user.id, sentence: `Bringing in ${fileName}` };
    const { changeId, result } = await this.store.openChange(head, (unit) => unit.insertKind(definition));
    const state: ImportState = {
      id: changeId,
      kindId: result.id,
      state: 'running',
      rows,
      seen: 0,
      added: 0,
      refused: 0,
      reports: [],
    };
    this.running.set(changeId, {
      userId: user.id,
      changeId,
      kindId: result.id,
      many: kind.many,
      fileName,
      fields,
      policy,
      slugs: new Set(),
      uniques: new UniqueValues(),
      state,
    });
    return state;
  }

  /** Takes in the next rows, in one transaction. Sending a batch that was taken already is refused by its offset. */
  async takeIn(user: User, id: number, { offset, rows }: ImportBatch): Promise<ImportState> {
    const running = this.find(user, id);
    if (offset !== running.state.seen) {
      throw Refusal.of('import.order', { found: offset, wanted: running.state.seen });
    }
    const context = this.live.context();
    const contents: ListingContent[] = [];
    const reports: RowReport[] = [];
    for (const row of rows) {
      const outcome = readImportRow(row, running, running.policy, context);
      if (outcome.kind === 'refused') {
        reports.push({ line: row.line, title: String(row.input.title ?? ''), issues: outcome.issues });
        continue;
      }
      const values = running.uniques.withReferences(outcome.content.values, running.fields);
      const title = String(row.input.title ?? '');
      const taken = running.uniques.issuesOf(values, running.fields, null, (line) => `line ${line}`);
      if (taken.length > 0) {
        reports.push({ line: row.line, title, issues: taken.map((found) => ({ ...found, line: row.line })) });
        continue;
      }
      running.uniques.put({ id: row.line, values }, running.fields);
      const slug = firstFreeSlug(outcome.content.slug, (candidate) => running.slugs.has(candidate));
      running.slugs.add(slug);
      contents.push({ ...outcome.content, values, slug });
    }
    // Said before the write, so that a second batch sent at the same time is refused.
    running.state = { ...running.state, seen: offset + rows.length };
    await this.store.continueChange(running.changeId, (unit) => unit.insertListings(running.kindId, contents));
    running.state = {
      ...running.state,
      added: running.state.added + contents.length,
      refused: running.state.refused + reports.length,
      reports: [...running.state.reports, ...reports].slice(0, MOST_REPORTS),
    };
    return running.state;
  }

  async finish(user: User, id: number): Promise<ImportState> {
    const running = this.find(user, id);
    const { added } = running.state;
    const sentence = `Brought in ${added} ${running.many} from ${running.fileName}`;
    await this.store.closeChange(id, sentence);
    this.running.delete(id);
    await this.live.reload(running.kindId);
    return { ...running.state, state: 'done' };
  }

  async cancel(user: User, id: number): Promise<ImportState> {
    const running = this.find(user, id);
    this.running.delete(id);
    await this.store.dropOpenChange(id);
    return { ...running.state, state: 'cancelled', added: 0 };
  }

  state(user: User, id: number): ImportState {
    return this.find(user, id).state;
  }

  /** Takes back what a stop of the server left half done; says what it did. */
  async repair(): Promise<string[]> {
    const sentences: string[] = [];
    for (const change of await this.store.openChanges()) {
      await this.store.dropOpenChange(change.id);
      sentences.push(`Took back an unfinished import (${change.sentence}).`);
    }
    return sentences;
  }

  private find(user: User, id: number): RunningImport {
    const running = this.running.get(id);
    if (running?.userId !== user.id) throw Refusal.of('import.gone');
    return running;
  }
}
