import { access, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Backups as AllBackups } from '@plindo/core/contract';
import { Refusal, sizeWords } from '@plindo/core/values';
import { Telling } from '../services/notices/telling.js';
import type { Store } from '../store/index.js';
import type { BackupReport } from './backup.js';

/** Makes a backup under a path; the server lets another process do it, as it takes a core for a while. */
export type RunBackup = (path: string) => Promise<BackupReport>;

/** Without a schedule so many are kept. */
const KEPT_WITHOUT_SCHEDULE = 7;
/** Faults are kept as sentences, not as whole reports. */
const LONGEST_FAULT = 500;

export interface BackupParts {
  readonly store: Store;
  readonly clock: () => Date;
  /** Where they lie. */
  readonly folder: string;
  readonly run: RunBackup;
  readonly tell: (error: unknown, sentence: string) => void;
}

/** The backups of a site: those that are made by the schedule, and by hand. */
export class Backups {
  private running: Promise<void> | null = null;

  constructor(private readonly parts: BackupParts) {}

  async all(): Promise<AllBackups> {
    const { store, folder } = this.parts;
    const backups = (await store.backups.all()).map((one) => ({ ...one, at: new Date(one.at).toISOString() }));
    return { folder, isRunning: this.running !== null, backups };
  }

  /** Begins one, and doesn't wait for it; refused by `backup.running`. */
  begin(): void {
    if (this.running) throw Refusal.of('backup.running');
    void this.make();
  }

  /** Makes one, notes what came of it, tells it, and deletes those that are too many. One that is running is joined. */
  make(): Promise<void> {
    this.running ??= this.makeOne().finally(() => (this.running = null));
    return this.running;
  }

  /** Where the file of one lies; refused by `request.not-found`. */
  async file(id: number): Promise<{ readonly path: string; readonly name: string }> {
    const found = await this.parts.store.backups.one(id);
    const path = join(this.parts.folder, found?.name ?? '');
    const isThere =
      found?.fault === '' &&
      (await access(path).then(
        () => true,
        () => false,
      ));
    if (!isThere) throw Refusal.of('request.not-found');
    return { path, name: found.name };
  }

  private async makeOne(): Promise<void> {
    const { store, clock, folder, run, tell } = this.parts;
    const begun = clock();
    const name = `plindo-${begun.toISOString().slice(0, 19).replaceAll(':', '').replace('T', '-')}.zip`;
    const base = { at: begun.getTime(), name };
    try {
      const report = await run(join(folder, name));
      const { size: bytes } = await stat(join(folder, name));
      const tookInMs = clock().getTime() - begun.getTime();
      await store.backups.add({ ...base, ...report, bytes, tookInMs, fault: '' });
      await this.tellOf('backup-made', base.at, { size: sizeWords(bytes), rows: report.rows });
      await this.prune();
    } catch (error) {
      const fault = (error instanceof Error ? error.message : String(error)).slice(0, LONGEST_FAULT);
      tell(error, 'A backup could not be made.');
      const nothing = { bytes: 0, rows: 0, files: 0, tookInMs: 0, verified: 'read' } as const;
      await store.backups.add({ ...base, ...nothing, fault }).catch(() => undefined);
      await this.tellOf('backup-failed', base.at, { fault }).catch(() => undefined);
    }
  }

  private tellOf(
    about: 'backup-made' | 'backup-failed',
    at: number,
    values: Record<string, string | number>,
  ): Promise<void> {
    return this.parts.store.aside((unit) => new Telling(unit).tellOfSite(about, String(at), values));
  }

  /** Deletes the oldest of those that were made, and what is known of failures before them. */
  private async prune(): Promise<void> {
    const { store, folder } = this.parts;
    const { keep } = (await store.structure()).site.backups ?? { keep: KEPT_WITHOUT_SCHEDULE };
    const all = await store.backups.all();
    const last = all.filter(({ fault }) => fault === '')[keep - 1];
    for (const { id, name } of all.filter((one) => last !== undefined && one.id < last.id)) {
      await rm(join(folder, name), { force: true });
      await store.backups.remove(id);
    }
  }
}
