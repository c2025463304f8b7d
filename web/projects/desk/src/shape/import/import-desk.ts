import type { CsvTable, ImportRow } from '@plindo/core/exchange';
import {
  ImportPreview,
  decodeText,
  dryRun,
  importRow,
  proposalForType,
  proposePlan,
  readCsv,
  sampleColumn,
  writeCsv,
} from '@plindo/core/exchange';
import type { DesignedPage } from '@plindo/core/page';
import type { ReadContext } from '@plindo/core/structure';
import { readContext } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import type { Answer, AnswerTo, Ask, FileFacts } from './import-protocol';

const FIRST_ROWS = 5;
const LONGEST_SHOWN_CELL = 120;
/** A batch ends at this many characters if it hasn't ended before; the server takes 32 MB. */
const CHARACTERS_A_BATCH = 1_000_000;
/** What a cell takes in a request beside its own text: key, quotes and comma. */
const CHARACTERS_A_CELL = 24;

/** The worker's side of an import: holds the file and does all that is heavy. */
export class ImportDesk {
  private table: CsvTable | null = null;
  private preview: { readonly key: string; readonly preview: ImportPreview } | null = null;
  private context: ReadContext = readContext({ locale: 'en', zone: 'UTC', nowInMs: 0 });

  async answer(id: number, ask: Ask): Promise<Answer> {
    try {
      const result = ask.do === 'read' ? await this.read(ask) : await this.work(ask);
      return typeof result === 'object' && 'issue' in result ? { id, issue: result.issue } : { id, result };
    } catch (error) {
      return { id, issue: { code: 'server.unexpected', message: `The file could not be read: ${String(error)}` } };
    }
  }

  private async read({ file, scene }: Extract<Ask, { do: 'read' }>): Promise<FileFacts | { issue: Issue }> {
    this.context = readContext(scene);
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return decoded;
    const read = readCsv(decoded.value.text);
    if (!read.ok) return read;
    this.table = read.value;
    this.preview = null;
    const { headers, rows, delimiter } = read.value;
    return {
      headers,
      rows: rows.length,
      firstRows: rows
        .slice(0, FIRST_ROWS)
        .map((cells) => headers.map((_, at) => (cells[at] ?? '').slice(0, LONGEST_SHOWN_CELL))),
      delimiter,
      encoding: decoded.value.encoding,
      plan: proposePlan(read.value, this.context),
    };
  }

  private work(
    ask: Exclude<Ask, { do: 'read' }>,
  ): AnswerTo['propose' | 'check' | 'rows' | 'refused'] | Promise<DesignedPage> {
    const table = this.table;
    if (!table) throw new Error('no file has been read');
    switch (ask.do) {
      case 'propose':
        return proposalForType(ask.type, sampleColumn(table, ask.column, this.context));
      case 'check':
        return dryRun(table, ask.plan, ask.policy, this.context);
      case 'rows':
        return batch(table, ask);
      case 'refused':
        return writeCsv(
          table.headers,
          ask.rows.map((row) => table.rows[row] ?? []),
        );
      case 'page':
        return this.previewOf(table, ask).page(ask.search);
    }
  }

  /** Made once for a plan; other states of its page are asked of the same one. */
  private previewOf(table: CsvTable, { planned, site }: Extract<Ask, { do: 'page' }>): ImportPreview {
    const key = JSON.stringify(planned);
    if (this.preview?.key !== key) {
      this.preview = { key, preview: new ImportPreview(table, planned, site, this.context) };
    }
    return this.preview.preview;
  }
}

function batch(table: CsvTable, { plan, status, offset, most }: Extract<Ask, { do: 'rows' }>): ImportRow[] {
  const rows: ImportRow[] = [];
  let characters = 0;
  for (let at = offset; at < table.rows.length && rows.length < most; at++) {
    characters += table.rows[at]!.reduce((sum, cell) => sum + cell.length + CHARACTERS_A_CELL, 0);
    if (characters > CHARACTERS_A_BATCH && rows.length > 0) break;
    rows.push(importRow(table, at, plan, status));
  }
  return rows;
}
