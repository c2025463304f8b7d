import { Injectable, inject, signal } from '@angular/core';
import type { GivenConventions, ImportPlan } from '@plindo/core/exchange';
import { LARGEST_FILE_IN_BYTES } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { issue, sizeWords } from '@plindo/core/values';
import { Reading } from '../../shared/reading';
import type { FileFacts } from './import-protocol';
import type { ImportRefusal } from './import-worker';
import { ImportWorker } from './import-worker';

/** A file on its way in: what was read of it, how it is written, and where its columns go. One a page. */
@Injectable()
export class ComingFile {
  private readonly worker = inject(ImportWorker);
  private readonly reading = inject(Reading);

  readonly name = signal('');
  readonly isReading = signal(false);
  readonly facts = signal<FileFacts | null>(null);
  readonly plan = signal<ImportPlan | null>(null);
  /** What a person has said of how the file is written. */
  readonly given = signal<GivenConventions>({});
  /** Why the file was refused. */
  readonly issues = signal<readonly Issue[]>([]);

  /**
   * Reads a file, or a text that was pasted, for a new kind or for one that is there. Answers whether it could be read; where
   * it is refused, all is as before.
   */
  async read(file: File | string, name: string, kind: Kind | null = null): Promise<boolean> {
    this.issues.set([]);
    if (typeof file !== 'string' && file.size > LARGEST_FILE_IN_BYTES) {
      const params = { found: sizeWords(file.size), greatest: sizeWords(LARGEST_FILE_IN_BYTES) };
      this.issues.set([issue('file.too-large', params)]);
      return false;
    }
    this.name.set(name);
    const { locale, zone, nowInMs } = this.reading.context();
    return this.show(this.worker.ask({ do: 'read', file, scene: { locale, zone, nowInMs }, kind }));
  }

  /** Shows another sheet of the workbook. */
  chooseTable(at: number): Promise<boolean> {
    this.issues.set([]);
    return this.show(this.worker.ask({ do: 'table', at }));
  }

  /** Reads the whole file in another way. */
  async setGiven(given: GivenConventions): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    this.given.set(given);
    const again = await this.worker.ask({ do: 'reread', plan, given });
    // What was decided of a column meanwhile would be lost.
    if (plan === this.plan()) this.plan.set(again);
  }

  private async show(asked: Promise<FileFacts>): Promise<boolean> {
    this.isReading.set(true);
    try {
      const facts = await asked;
      this.facts.set(facts);
      this.given.set({});
      this.plan.set(facts.plan);
      return true;
    } catch (error) {
      this.issues.set([(error as ImportRefusal).issue]);
      return false;
    } finally {
      this.isReading.set(false);
    }
  }
}
