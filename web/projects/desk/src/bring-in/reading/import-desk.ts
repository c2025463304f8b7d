import type { FileTable, GivenConventions, ImportPlan, MatchedRow, OpenedFile, RowReport } from '@plindo/core/exchange';
import {
  ImportPreview,
  MOST_REPORTS,
  RowMatcher,
  RowReader,
  dryRun,
  openFile,
  openText,
  planForKind,
  proposeColumn,
  proposePlan,
  rereadPlan,
  withoutBlanks,
  writeCsv,
} from '@plindo/core/exchange';
import type { DesignedPage } from '@plindo/core/page';
import type { Kind, ReadContext } from '@plindo/core/structure';
import { readContext } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import type { Answer, AnswerTo, Ask, FileFacts, MatchFacts, RowWithPictures } from './import-protocol';
import { picturesOf, withPictureColumns } from './picture-columns';
import { ZipFile } from './zip-file';

const FIRST_ROWS = 5;
const LONGEST_SHOWN_CELL = 120;
/** A batch ends at this many characters if it hasn't ended before; the server takes 32 MB. */
const CHARACTERS_A_BATCH = 1_000_000;
/** What a cell takes in a request beside its own text: key, quotes and comma. */
const CHARACTERS_A_CELL = 24;

/** The worker's side of an import: holds the file and does all that is heavy. */
export class ImportDesk {
  private opened: OpenedFile | null = null;
  private table: FileTable | null = null;
  /** Where the file came with pictures. */
  private zip: ZipFile | null = null;
  /** The kind that the file is for; null for a new one. */
  private kind: Kind | null = null;
  /** Of the rows that could be matched: where each stands in the file, and its listing. */
  private matches: readonly { readonly at: number; readonly id: number | null }[] = [];
  private preview: { readonly key: string; readonly preview: ImportPreview } | null = null;
  private reader: { readonly key: string; readonly reader: RowReader } | null = null;
  private context: ReadContext = readContext({ locale: 'en', zone: 'UTC', nowInMs: 0 });

  async answer(id: number, ask: Ask): Promise<Answer> {
    try {
      const result = await this.done(ask);
      return result !== null && typeof result === 'object' && 'issue' in result
        ? { id, issue: result.issue }
        : { id, result };
    } catch (error) {
      return { id, issue: { code: 'server.unexpected', message: `The file could not be read: ${String(error)}` } };
    }
  }

  private async done(ask: Ask): Promise<AnswerTo[keyof AnswerTo] | { issue: Issue }> {
    if (ask.do === 'read') return this.read(ask);
    return ask.do === 'table' ? this.show(ask.at) : this.work(ask);
  }

  private async read({ file, scene, kind }: Extract<Ask, { do: 'read' }>): Promise<FileFacts | { issue: Issue }> {
    this.context = readContext(scene);
    const bytes = typeof file === 'string' ? null : new Uint8Array(await file.arrayBuffer());
    const zip = bytes && ZipFile.open(bytes);
    const opened = typeof file === 'string' ? openText(file) : await openFile(zip?.data ?? bytes!);
    if (!opened.ok) return opened;
    this.opened = opened.value;
    this.zip = zip;
    this.kind = kind;
    // The largest sheet is likelier meant than the notes before it; one that can't be read is told of when it is asked for.
    const sizes = opened.value.tables.map(({ table }) =>
      table.ok ? table.value.rows.length * table.value.headers.length : 0,
    );
    return this.show(sizes.indexOf(Math.max(...sizes)));
  }

  private show(at: number): FileFacts | { issue: Issue } {
    const { format, tables } = this.opened!;
    const read = tables[at]!.table;
    if (!read.ok) return read;
    this.table = read.value;
    this.preview = null;
    this.reader = null;
    const { headers, rows } = read.value;
    return {
      ...{ headers, format, rows: rows.length, tables: tables.map(({ name }) => name), table: at },
      firstRows: rows
        .slice(0, FIRST_ROWS)
        .map((cells) => headers.map((_, column) => (cells[column] ?? '').slice(0, LONGEST_SHOWN_CELL))),
      plan: this.planBy(read.value, {}),
    };
  }

  private planBy(table: FileTable, given: GivenConventions): ImportPlan {
    if (this.kind) return planForKind(table, this.kind, this.context, given);
    return withPictureColumns(proposePlan(table, this.context, given), table, this.zip);
  }

  private work(
    ask: Exclude<Ask, { do: 'read' | 'table' }>,
  ): Exclude<AnswerTo[keyof AnswerTo], FileFacts | DesignedPage> | Promise<DesignedPage> {
    const table = this.table;
    if (!table) throw new Error('no file has been read');
    switch (ask.do) {
      case 'propose':
        return proposeColumn(table, ask.column, this.context, ask.conventions, ask.type);
      case 'reread':
        return this.kind
          ? this.planBy(table, ask.given)
          : withPictureColumns(rereadPlan(table, this.context, ask.plan, ask.given), table, this.zip);
      case 'check':
        return dryRun(table, withoutPictures(ask.plan), ask.policy, this.context);
      case 'rows':
        return batch(table, this.readerOf(table, withoutPictures(ask.plan)), ask);
      case 'match':
        return this.match(table, this.readerOf(table, ask.plan), ask);
      case 'matched':
        return this.matched(this.readerOf(table, ask.plan), ask);
      case 'picture':
        return this.zip?.picture(ask.name) ?? null;
      case 'refused':
        return writeCsv(
          table.headers,
          ask.rows.map((row) => table.rows[row] ?? []),
        );
      case 'page':
        return this.previewOf(table, ask).page(ask.search);
    }
  }

  private match(table: FileTable, reader: RowReader, { by, names }: Extract<Ask, { do: 'match' }>): MatchFacts {
    const matcher = new RowMatcher(names, this.kind!, by);
    const matches: { at: number; id: number | null }[] = [];
    const reports: RowReport[] = [];
    for (let at = 0; at < table.rows.length; at++) {
      const found = matcher.match(reader.row(at, 'live'));
      if ('id' in found) matches.push({ at, id: found.id });
      else reports.push({ line: found.row.line, title: String(found.row.input.title ?? ''), issues: [found.issue] });
    }
    this.matches = matches;
    const told = reports.slice(0, MOST_REPORTS);
    return { rows: matches.length, reports: told, refused: reports.length, missing: matcher.missing() };
  }

  private matched(
    reader: RowReader,
    { status, keepsBlanks, offset, most }: Extract<Ask, { do: 'matched' }>,
  ): MatchedRow[] {
    return this.matches.slice(offset, offset + most).map(({ at, id }) => {
      const row = reader.row(at, status);
      return { row: keepsBlanks ? withoutBlanks(row) : row, id };
    });
  }

  /** Made once for a plan, as it remembers what it has read. */
  private readerOf(table: FileTable, plan: ImportPlan): RowReader {
    const key = JSON.stringify(plan);
    if (this.reader?.key !== key) this.reader = { key, reader: new RowReader(table, plan, this.context) };
    return this.reader.reader;
  }

  /** Made once for a plan; other states of its page are asked of the same one. */
  private previewOf(table: FileTable, { planned, site }: Extract<Ask, { do: 'page' }>): ImportPreview {
    const key = JSON.stringify(planned);
    if (this.preview?.key !== key) {
      this.preview = { key, preview: new ImportPreview(table, planned, site, this.context) };
    }
    return this.preview.preview;
  }
}

function batch(
  table: FileTable,
  reader: RowReader,
  { plan, status, offset, most }: Extract<Ask, { do: 'rows' }>,
): RowWithPictures[] {
  const rows: RowWithPictures[] = [];
  let characters = 0;
  for (let at = offset; at < table.rows.length && rows.length < most; at++) {
    characters += table.rows[at]!.reduce((sum, cell) => sum + cell.length + CHARACTERS_A_CELL, 0);
    if (characters > CHARACTERS_A_BATCH && rows.length > 0) break;
    rows.push({ row: reader.row(at, status), pictures: picturesOf(table.rows[at]!, plan) });
  }
  return rows;
}

/** The plan without pictures, which are sent by themselves. */
function withoutPictures(plan: ImportPlan): ImportPlan {
  const keys = new Set(plan.fields.filter(({ type }) => type === 'picture').map(({ key }) => key));
  if (keys.size === 0) return plan;
  return { ...plan, columns: plan.columns.filter(({ fieldKey }) => fieldKey === null || !keys.has(fieldKey)) };
}
