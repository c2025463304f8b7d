import { Injectable, inject } from '@angular/core';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { ImportRow, RowReport } from '@plindo/core/exchange';
import type { Picture } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';
import { ImportWorker } from './import-worker';
import type { RowWithPictures } from './import-protocol';

const AT_ONCE = 3;
const ADDRESS = /^https?:\/\//i;

/** Sends the pictures that rows name before the rows themselves, each once; what fails is told by row, and the row comes in. */
@Injectable()
export class RowPictures {
  private readonly api = inject(CatalogApi);
  private readonly worker = inject(ImportWorker);
  private readonly sent = new Map<string, Promise<Omit<Picture, 'alt'> | string>>();

  /** Rows whose pictures could not be brought in, with why. */
  readonly failures: RowReport[] = [];

  /** The rows with their pictures in their fields. */
  async send(rows: readonly RowWithPictures[]): Promise<ImportRow[]> {
    const result: ImportRow[] = [];
    for (let at = 0; at < rows.length; at += AT_ONCE) {
      result.push(...(await Promise.all(rows.slice(at, at + AT_ONCE).map((row) => this.withPictures(row)))));
    }
    return result;
  }

  private async withPictures({ row, pictures }: RowWithPictures): Promise<ImportRow> {
    const values: Record<string, unknown> = { ...row.input.values };
    for (const { fieldKey, name } of pictures) {
      const sent = await this.one(name);
      if (typeof sent !== 'string') values[fieldKey] = { ...sent, alt: '' };
      else this.failures.push({ line: row.line, title: String(row.input.title ?? ''), issues: [failure(name, sent)] });
    }
    return { ...row, input: { ...row.input, values } };
  }

  /** A picture that was kept, or why it wasn't. */
  private one(name: string): Promise<Omit<Picture, 'alt'> | string> {
    const known = this.sent.get(name) ?? this.sendOne(name).catch((error: unknown) => sentenceOf(error));
    this.sent.set(name, known);
    return known;
  }

  private async sendOne(name: string): Promise<Omit<Picture, 'alt'> | string> {
    if (ADDRESS.test(name)) return firstValueFrom(this.api.addPictureFrom(name));
    const bytes = await this.worker.ask({ do: 'picture', name });
    if (!bytes) return `The zip has no picture called “${name}”.`;
    return firstValueFrom(this.api.addPicture(new File([bytes as BlobPart], name)));
  }
}

function failure(name: string, message: string): RowReport['issues'][0] {
  return { code: 'picture.type', message: message.includes(name) ? message : `${name}: ${message}` };
}
