import type { Client } from '../e2e/trials/client.js';
import { percentile, timed } from './measure.js';

const EDIT_EVERY_IN_MS = 100;

/** Somebody who edits a listing of another kind, ten times a second. */
export class Editor {
  readonly times: number[] = [];
  isStopped = false;
  private version = 1;

  private constructor(
    private readonly client: Client,
    private readonly id: number,
    /** Milliseconds of an edit when nothing else is done. */
    readonly aloneMs: number,
  ) {}

  static async on(client: Client): Promise<Editor> {
    const kind = { one: 'Berth', many: 'Berths', slug: 'berths', fields: [] };
    const { json: made } = await client.send('POST', '/api/kinds', kind);
    const { json } = await client.send('POST', `/api/kinds/${made.result.id as number}/listings`, { title: 'Berth' });
    const first = new Editor(client, json.result.id as number, 0);
    for (let turn = 0; turn < 30; turn++) await first.edit(turn);
    const editor = new Editor(client, first.id, percentile(first.times, 0.5));
    editor.version = first.version;
    return editor;
  }

  async run(): Promise<void> {
    for (let turn = 0; !this.isStopped; turn++) {
      await this.edit(turn);
      await new Promise((resolve) => setTimeout(resolve, EDIT_EVERY_IN_MS));
    }
  }

  private async edit(turn: number): Promise<void> {
    const sent = { version: this.version, summary: `Edit ${turn}` };
    this.times.push(
      await timed(async () => {
        const { status, json } = await this.client.send('PATCH', `/api/listings/${this.id}`, sent);
        if (status !== 200) throw new Error(JSON.stringify(json));
        this.version = json.result.version as number;
      }),
    );
  }
}
