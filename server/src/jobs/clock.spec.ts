import type { Listing } from '@plindo/core/listings';
import type { ExpirySketch, Kind } from '@plindo/core/structure';
import { makeField } from '@plindo/core/structure';
import { Dice } from '@plindo/core/values';
import { DateTime } from 'luxon';
import { randomUUID } from 'node:crypto';
import type { AddressInfo, Socket } from 'node:net';
import { createServer } from 'node:net';
import { setTimeout as delay } from 'node:timers/promises';
import type { Answer, Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';
import { Clock } from './clock.js';
import { Mailer } from './mailer.js';

const DAY = 86_400_000;
const BEGIN = Date.UTC(2026, 10, 20, 12);

/** A server whose clock stands where the spec puts it, and whose jobs run when it says so. */
class Scene {
  now = BEGIN;
  private constructor(
    readonly api: TestApi,
    private owner: Sender,
  ) {}

  /** As the owner, who signs in again when the session is over by then. */
  async send(method: string, path: string, body?: unknown): Promise<Answer> {
    const answer = await this.owner.send(method, path, body);
    if (answer.status !== 401) return answer;
    this.owner = await this.api.signIn('owner');
    return this.owner.send(method, path, body);
  }

  static async start(): Promise<Scene> {
    const holder: { scene: Scene | null } = { scene: null };
    const api = await TestApi.start(undefined, () => new Date(holder.scene?.now ?? BEGIN));
    await api.addUser('owner');
    const scene = new Scene(api, await api.signIn('owner'));
    holder.scene = scene;
    return scene;
  }

  async kind(slug: string, expiry: ExpirySketch | null, given: object = {}): Promise<Kind> {
    const fields = [
      makeField({ key: 'starts', label: 'Starts', type: 'date' }),
      makeField({ key: 'note', label: 'Note', type: 'short-text' }),
      makeField({ key: 'contact', label: 'Contact', type: 'email' }),
    ];
    const body = { slug, one: slug, many: `${slug}s`, published: true, startStatus: 'live', fields, expiry, ...given };
    const answer = await this.send('POST', '/api/kinds', body);
    expect(answer.status).withContext(JSON.stringify(answer.json)).toBe(200);
    return answer.json.result as Kind;
  }

  async add(kind: Kind, title: string, values: object): Promise<Listing> {
    const { json } = await this.send('POST', `/api/kinds/${kind.id}/listings`, { title, values });
    return json.result as Listing;
  }

  async listing(id: number): Promise<Listing> {
    return (await this.send('GET', `/api/listings/${id}`)).json as Listing;
  }

  /** The mails in the database, oldest first. */
  mails(): Promise<{ recipient: string; subject: string; text: string; at: number }[]> {
    return this.api.assembly.store.ask('SELECT * FROM mails ORDER BY "id"');
  }

  tick(at = this.now): Promise<void> {
    this.now = at;
    return this.api.assembly.clock.doDue();
  }
}

const LEAVING: ExpirySketch = {
  countedFrom: { by: 'field', field: 'starts', dayEdge: 'start' },
  consequences: [
    { key: 'soon', days: -3, deed: { act: 'tell', to: ['office@example.org'], fields: ['contact'] } },
    { key: 'note', days: 0, deed: { act: 'set-field', field: 'note', value: 'over' } },
    { key: 'hide', days: 0, deed: { act: 'set-status', status: 'hidden' } },
    { key: 'left', days: 0, deed: { act: 'tell', to: ['office@example.org'] } },
    { key: 'gone', days: 30, deed: { act: 'delete' } },
  ],
};

describe('The clock', () => {
  let scene: Scene;
  beforeEach(async () => (scene = await Scene.start()));
  afterEach(() => scene.api.stop());

  it('does what a rule says at its moments, tells people, and writes both into the log', async () => {
    const kind = await scene.kind('course', LEAVING);
    const { id } = await scene.add(kind, 'Knots', { starts: '2026-11-28', contact: 'ada@example.org' });
    await scene.tick(Date.UTC(2026, 10, 24, 23, 59));
    expect(await scene.mails()).toEqual([]);
    await scene.tick(Date.UTC(2026, 10, 25));
    expect((await scene.mails()).map(({ recipient }) => recipient)).toEqual(['office@example.org', 'ada@example.org']);
    expect((await scene.mails())[0]!.subject).toBe('Knots leaves the site at the end of Friday, 27 November 2026');

    await scene.tick(Date.UTC(2026, 10, 28, 9));
    const left = await scene.listing(id);
    expect([left.status, left.values['note']]).toEqual(['hidden', 'over']);
    expect((await scene.mails()).at(-1)!.subject).toBe('Knots has left the site');
    const [latest] = (await scene.send('GET', '/api/changes')).json as { who: string; sentence: string }[];
    expect(latest!.who).toBe('Plindo, by the rule of courses');
    expect(latest!.sentence).toBe(
      'Changed Note of Knots, hid Knots, told office@example.org that Knots left; it was due at the end of Friday, 27 November 2026',
    );
    await scene.tick(Date.UTC(2026, 11, 28));
    expect((await scene.send('GET', `/api/listings/${id}`)).status).toBe(404);
    await scene.tick(Date.UTC(2027, 1, 1));
    expect(await scene.mails()).toHaveSize(3);
  });

  it('sends the mail of the day late rather than a day later when something else is told before it', async () => {
    const daily = { act: 'tell', to: ['office@example.org'], manner: 'daily' } as const;
    const kind = await scene.kind('course', { ...LEAVING, consequences: [{ key: 'left', days: 0, deed: daily }] });
    await scene.add(kind, 'Knots', { starts: '2026-11-28' });
    await scene.add(kind, 'Flares', { starts: '2026-11-29' });
    await scene.tick(Date.UTC(2026, 10, 28, 9));
    expect(await scene.mails()).toEqual([]);
    // The server stood still over the hour of the mail and the moment of the second course.
    await scene.tick(Date.UTC(2026, 10, 29, 9));
    const [mail, ...others] = await scene.mails();
    expect(others).toEqual([]);
    expect(mail!.subject).toContain('2 notices today');
    expect(mail!.text).toContain('Knots has left the site');
    expect(mail!.text).toContain('Flares has left the site');
  });

  it('does what is due while a mail server keeps silent', async () => {
    const open: Socket[] = [];
    const silent = createServer((socket) => void open.push(socket));
    await new Promise<void>((resolve) => silent.listen(0, '127.0.0.1', resolve));
    const { port } = silent.address() as AddressInfo;
    const parts = partsOf(scene.api.assembly.clock);
    const mailer = new Mailer({ ...parts, server: `smtp://127.0.0.1:${port}`, sender: 'guide@example.org' });
    const clock = new Clock({ ...parts, mailer });
    const kind = await scene.kind('course', LEAVING);
    const { id } = await scene.add(kind, 'Knots', { starts: '2026-11-28' });
    const asked = new Promise((resolve) => silent.once('connection', resolve));
    scene.now = Date.UTC(2026, 10, 25);
    clock.start();
    await asked;
    scene.now = Date.UTC(2026, 10, 28);
    while ((await scene.listing(id)).status !== 'hidden') await delay(20);
    expect(await scene.mails()).toHaveSize(2);
    for (const socket of open) socket.destroy();
    silent.close();
    await clock.stop();
  });

  it('leaves a listing alone that somebody has postponed, taken back, or made a draft of', async () => {
    const kind = await scene.kind('course', LEAVING);
    const values = { starts: '2026-11-28' };
    const [postponed, undone, draft] = [
      await scene.add(kind, 'Postponed', values),
      await scene.add(kind, 'Undone', values),
      await scene.add(kind, 'Draft', values),
    ];
    const { id, version } = postponed;
    await scene.send('PATCH', `/api/listings/${id}`, { version, shownUntil: '2026-12-24T00:00Z' });
    await scene.send('PATCH', `/api/listings/${draft.id}`, { version: draft.version, status: 'draft' });
    await scene.tick(Date.UTC(2026, 10, 28, 1));
    expect((await scene.listing(postponed.id)).status).toBe('live');
    expect((await scene.listing(draft.id)).status).toBe('draft');
    expect((await scene.listing(undone.id)).status).toBe('hidden');

    const [latest] = (await scene.send('GET', '/api/changes')).json as { id: number }[];
    expect((await scene.send('POST', `/api/changes/${latest!.id}/undo`)).status).toBe(200);
    await scene.tick(Date.UTC(2026, 10, 29));
    expect((await scene.listing(undone.id)).status).toBe('live');
    expect((await scene.mails()).filter(({ subject }) => subject === 'Undone has left the site')).toHaveSize(1);
    await scene.tick(Date.UTC(2026, 11, 24, 1));
    expect((await scene.listing(postponed.id)).status).toBe('hidden');
  });

  it('finds out anew what is due when a rule or the zone is another one', async () => {
    const kind = await scene.kind('course', null);
    const past = await scene.add(kind, 'Past', { starts: '2026-11-10' });
    const coming = await scene.add(kind, 'Coming', { starts: '2026-11-21' });
    const { version, ...definition } = (await scene.send('GET', `/api/kinds/${kind.id}`)).json.kind as Kind;
    const sent = { ...definition, id: undefined, version, expiry: LEAVING };
    expect((await scene.send('PUT', `/api/kinds/${kind.id}`, sent)).status).toBe(200);
    await scene.tick();
    expect([(await scene.listing(past.id)).status, (await scene.listing(coming.id)).status]).toEqual([
      'hidden',
      'live',
    ]);
    expect((await scene.mails()).map(({ subject }) => subject)).toEqual([
      'Past has left the site',
      'Coming leaves the site at the end of Friday, 20 November 2026',
    ]);
    // Where it is 21 November already.
    await scene.send('PUT', '/api/site', { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'Pacific/Kiritimati' });
    await scene.tick();
    expect((await scene.listing(coming.id)).status).toBe('hidden');
  });

  it('has nothing to do for a kind that is deleted, nor a word to say of what came too late', async () => {
    const kind = await scene.kind('course', LEAVING);
    await scene.add(kind, 'Deleted', { starts: '2026-11-28' });
    const soon = { ...LEAVING, consequences: LEAVING.consequences!.slice(0, 1) };
    const other = await scene.kind('offer', soon);
    await scene.add(other, 'Late', { starts: '2026-11-28' });
    expect((await scene.send('DELETE', `/api/kinds/${kind.id}`)).status).toBe(200);
    const changes = async (): Promise<number> => (await scene.send('GET', '/api/changes')).json.length as number;
    const before = await changes();
    await scene.tick(Date.UTC(2026, 11, 28));
    expect([await changes(), await scene.mails()]).toEqual([before, []]);
    const { store } = scene.api.assembly;
    expect(await store.due.departuresUntil(Date.UTC(2100, 0, 1), 10)).toEqual([]);
  });

  it('tells of a failure, goes on with the others, and tries again', async () => {
    const kind = await scene.kind('course', LEAVING);
    const first = await scene.add(kind, 'First', { starts: '2026-11-21' });
    const second = await scene.add(kind, 'Second', { starts: '2026-11-21' });
    const { assembly } = scene.api;
    const change = assembly.store.change.bind(assembly.store);
    spyOn(assembly.store, 'change').and.callFake(async (user, work, undone) => {
      return change(
        user,
        async (unit) => {
          const done = await work(unit);
          if (unit.entries.some(({ id }) => id === first.id)) throw new Error('the disk is on fire');
          return done;
        },
        undone,
      );
    });
    await scene.tick(Date.UTC(2026, 10, 22));
    expect([(await scene.listing(first.id)).status, (await scene.listing(second.id)).status]).toEqual([
      'live',
      'hidden',
    ]);
    const [failed] = await assembly.store.due.failed(10);
    expect([failed?.subject, failed?.fault]).toEqual([first.id, 'the disk is on fire']);
    (assembly.store.change as jasmine.Spy).and.callFake(change);
    await scene.tick(Date.UTC(2026, 10, 22, 1));
    expect((await scene.listing(first.id)).status).toBe('hidden');
    expect(await assembly.store.due.failed(10)).toEqual([]);
  });
});

describe('The clock, whatever happens', () => {
  // Random rules, zones, downtimes, crashes before a commit, nodes that take over, and clocks that are set back.
  it('does each thing once, in order, never early; and nobody sees what has left', async () => {
    const scene = await Scene.start();
    const { assembly } = scene.api;
    const change = assembly.store.change.bind(assembly.store);
    const changing = spyOn(assembly.store, 'change').and.callFake(change);
    let [interesting, crashes] = [0, 0];
    for (let seed = 1; seed <= 12; seed++) {
      const dice = new Dice(seed);
      const zone = dice.pick(['UTC', 'Europe/Lisbon', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu']);
      scene.now = BEGIN + seed * 400 * DAY;
      await scene.send('PUT', '/api/site', { name: 'Guide', tagline: '', locale: 'en-GB', zone });
      const moments = [...new Set(Array.from({ length: 4 }, () => dice.whole(-3, 9)))].sort((a, b) => a - b);
      const consequences = moments.map((days, at) => {
        const tells = { act: 'tell', to: [`s${seed}k${at}@example.org`] } as const;
        const sets = { act: 'set-field', field: 'note', value: `n${at}` } as const;
        return { key: `k${at}`, days, deed: days < 0 || dice.chance(0.5) ? tells : sets };
      });
      const kind = await scene.kind(`kind-${seed}`, {
        countedFrom: { by: 'field', field: 'starts', dayEdge: 'start' },
        consequences,
      });
      const listings: { listing: Listing; leaves: number }[] = [];
      for (let at = 0; at < 6; at++) {
        const day = DateTime.fromMillis(scene.now, { zone })
          .startOf('day')
          .plus({ days: dice.whole(-2, 12) });
        const listing = await scene.add(kind, `L${seed}-${at}`, { starts: day.toISODate() });
        listings.push({ listing, leaves: day.toMillis() });
      }
      // Nodes that crash leave their claims behind.
      let node = assembly.clock;
      let latest = scene.now;
      changing.and.callFake((user, work, undone) =>
        change(
          user,
          async (unit) => {
            const done = await work(unit);
            if (user === null && dice.chance(0.25)) {
              crashes++;
              throw new Error('killed');
            }
            return done;
          },
          undone,
        ),
      );
      for (let step = 0; step < 24; step++) {
        const jump = dice.chance(0.15) ? -dice.whole(1, 30) * 3_600_000 : dice.whole(1, 40) * 3_600_000;
        scene.now += jump;
        latest = Math.max(latest, scene.now);
        const seen = listings.map(({ listing }) =>
          assembly.services.live.catalog(kind.id)!.isOnSite(listing.id, scene.now),
        );
        expect(seen)
          .withContext(`seed ${seed}`)
          .toEqual(listings.map(({ leaves }) => leaves > scene.now));
        if (dice.chance(0.3)) node = new Clock({ ...partsOf(assembly.clock), node: randomUUID() });
        if (dice.chance(0.6)) await node.doDue();
      }
      changing.and.callFake(change);
      scene.now = latest + 60 * DAY;
      for (let again = 0; again < 3; again++) await assembly.clock.doDue();

      const mails = (await scene.mails()).filter(({ recipient }) => recipient.startsWith(`s${seed}k`));
      for (const { listing, leaves } of listings) {
        const local = DateTime.fromMillis(leaves, { zone });
        const told = mails.filter(({ text }) => text.includes(`“${listing.title}”`));
        const notes = await assembly.store.ask<{ after: string; at: number }>(
          `SELECT e."after", c."at" FROM change_entries e JOIN changes c ON c."id" = e."changeId" ` +
            `WHERE e."entity" = 'listing' AND e."entityId" = ${listing.id} AND c."userId" IS NULL ORDER BY e."id"`,
        );
        for (const [at, { days, deed }] of consequences.entries()) {
          const due = local.plus({ days }).toMillis();
          if (deed.act === 'tell') {
            const own = told.filter(({ recipient }) => recipient === `s${seed}k${at}@example.org`);
            // What would leave soon isn't told of when it has left.
            if (days >= 0) expect(own).withContext(`seed ${seed}, ${listing.title}, ${days}`).toHaveSize(1);
            expect(own.length).toBeLessThanOrEqual(1);
            for (const mail of own) expect(Number(mail.at)).toBeGreaterThanOrEqual(due);
            interesting += own.length;
          }
        }
        const values = notes.map(({ after }) => noteIn(after));
        const wanted = consequences.flatMap(({ deed }) => (deed.act === 'set-field' ? [deed.value as unknown] : []));
        // Several of them may have been done in one go.
        expect(wanted.filter((value) => values.includes(value))).toEqual(
          values.filter((one, at) => values.indexOf(one) === at),
        );
        expect(values.at(-1)).toBe(wanted.at(-1));
      }
    }
    expect(interesting).toBeGreaterThan(60);
    expect(crashes).toBeGreaterThan(20);
    await scene.api.stop();
  }, 120_000);
});

function noteIn(after: unknown): unknown {
  const { values } = (typeof after === 'string' ? JSON.parse(after) : after) as Listing;
  return values['note'];
}

function partsOf(clock: Clock): ConstructorParameters<typeof Clock>[0] {
  return (clock as unknown as { parts: ConstructorParameters<typeof Clock>[0] }).parts;
}
