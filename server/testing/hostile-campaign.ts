import type { Problem } from '@plindo/core/contract';
import { Dice } from '@plindo/core/values';
import type { GoodRequest } from './good-requests.js';
import { goodRequests } from './good-requests.js';
import type { Schema } from './mutations.js';
import { Mutations } from './mutations.js';
import type { Answer, Sender } from './test-api.js';
import { TestApi } from './test-api.js';

/** These end the session that the requests are sent with, or count tries of it. */
const LEFT_OUT = new Set(['/api/session', '/api/sessions', '/api/setup', '/api/me/leave', '/api/me/password']);
/** What comes through makes the versions in good requests old. */
const ANEW_EVERY = 100;

/** A route of the API's document. */
export interface Operation {
  readonly method: string;
  readonly path: string;
  readonly schema: Schema | null;
  readonly parameters: readonly { readonly in: string; readonly name: string; readonly schema: Schema }[];
}

/** What requests that mean no good came to. */
export interface Campaign {
  readonly sent: number;
  readonly byStatus: Readonly<Record<number, number>>;
  readonly slowestMs: number;
  /** The request that took so long. */
  readonly slowest: string;
  /** Requests that were answered by a failure of the server, or without a sentence; none should be. */
  readonly faults: readonly unknown[];
}

/** Sends requests that mean no good to a site that began with a starter. */
export class HostileCampaign {
  private byStatus: Record<number, number> = {};
  private slowestMs = 0;
  private slowest = '';
  private readonly faults: unknown[] = [];

  private constructor(
    readonly api: TestApi,
    readonly owner: Sender,
  ) {}

  static async start(): Promise<HostileCampaign> {
    const api = await TestApi.start();
    await api.addUser('owner');
    const owner = await api.signIn('owner');
    const { status } = await owner.send('POST', '/api/site-starters/courses-and-dates');
    if (status !== 200) throw new Error('The starter could not be taken.');
    return new HostileCampaign(api, owner);
  }

  /** Requests that are as they should be, with one thing changed in each. */
  async changed(requests: number, seed: number): Promise<Campaign> {
    const dice = new Dice(seed);
    const mutations = new Mutations({}, dice);
    let good: GoodRequest[] = [];
    for (let sent = 0; sent < requests; sent++) {
      if (sent % ANEW_EVERY === 0) good = await goodRequests(this.owner);
      const { method, path, body } = dice.pick(good);
      await this.send(method, path, mutations.mutated(body));
    }
    return this.report();
  }

  /** Bodies by the API's own document, with one thing changed in each; every route in turn. */
  async byDocument(requests: number, seed: number): Promise<Campaign> {
    const { json: document } = await this.owner.send('GET', '/api/openapi.json');
    const dice = new Dice(seed);
    const mutations = new Mutations(document.components.schemas as Record<string, Schema>, dice);
    const operations = operationsOf(document).filter(({ path, schema }) => schema && !LEFT_OUT.has(path));
    for (let sent = 0; sent < requests; sent++) {
      const { method, path, schema } = operations[sent % operations.length]!;
      const filled = path.replace(/\{\w+\}/g, () => dice.pick(['1', '2', '1', '999']));
      await this.send(method, filled, mutations.mutated(mutations.sample(schema!)));
    }
    return this.report();
  }

  /** Sends it, and notes what is wrong with the answer. */
  async send(method: string, path: string, text: string): Promise<void> {
    const begun = performance.now();
    const answer = await this.owner.sendText(method, path, text);
    const tookMs = performance.now() - begun;
    if (tookMs > this.slowestMs) {
      this.slowestMs = tookMs;
      this.slowest = `${method} ${path} ${text.slice(0, 200)}`;
    }
    this.byStatus[answer.status] = (this.byStatus[answer.status] ?? 0) + 1;
    const fault = faultOf(answer);
    if (fault) this.faults.push([method, path, text.slice(0, 300), fault]);
  }

  report(): Campaign {
    const { byStatus, slowestMs, slowest, faults } = this;
    return { sent: Object.values(byStatus).reduce((sum, many) => sum + many, 0), byStatus, slowestMs, slowest, faults };
  }

  stop(): Promise<void> {
    return this.api.stop();
  }
}

export function operationsOf(document: Answer['json']): Operation[] {
  const paths = document.paths as Record<string, Record<string, Answer['json']>>;
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { requestBody, parameters }]) => ({
      ...{ method: method.toUpperCase(), path, parameters: parameters as Operation['parameters'] },
      schema: (requestBody?.content['application/json']?.schema as Schema | undefined) ?? null,
    })),
  );
}

/** What is wrong with an answer; null for nothing. */
function faultOf({ status, json }: Answer): unknown {
  if (status < 400) return null;
  const { title, issues } = (json ?? {}) as Partial<Problem>;
  const isSaid = typeof title === 'string' && title.length > 5 && Array.isArray(issues) && issues.length <= 20;
  return status < 500 && isSaid ? null : [status, json];
}
