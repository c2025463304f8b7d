import type { Role } from '@plindo/core/contract';
import { generate } from 'otplib';
import { PASSWORD, Sender, TestApi } from '../../testing/test-api.js';
import { databaseIn } from '../../testing/database.js';
import { openDatabase } from '../store/database.js';
import { defineModels } from '../store/models.js';
import { makeApp } from './app.js';
import { listening } from '../../testing/raw-http.js';
import { pino } from 'pino';
import type { AddressInfo } from 'node:net';

const HOUR_IN_MS = 3600 * 1000;

describe('People', () => {
  let api: TestApi;
  let owner: Sender;
  let now: number;

  beforeEach(async () => {
    now = Date.now();
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterEach(() => api.stop());

  const secretOf = (link: string): string => link.split('#')[1]!;
  const invite = async (role: Role = 'editor', email = 'new@example.org'): Promise<string> => {
    const { status, json } = await owner.send('POST', '/api/people/invitations', { email, name: 'New', role });
    expect(status).toBe(200);
    return json.link as string;
  };
  const accept = (secret: string, password = PASSWORD): ReturnType<Sender['send']> =>
    api.anyone.send('POST', '/api/invitations/accept', { secret, name: 'Newcomer', password });
  const signIn = (email: string, password: string, code?: string): ReturnType<Sender['send']> =>
    api.anyone.send('POST', '/api/session', { email, password, ...(code !== undefined && { code }) });
  const statuses = (all: readonly { status: number }[]): number[] => all.map(({ status }) => status).sort();
  const door = async (): Promise<string[]> =>
    (await owner.send('GET', '/api/door')).json.map(({ what }: { what: string }) => what);

  it('are invited by a link that works once, also when it is taken three times at once', async () => {
    const link = await invite();
    expect(link).toMatch(new RegExp(`^${api.address}/desk/invitation#[\\w-]{43}$`));
    const secret = secretOf(link);
    const looked = await api.anyone.send('POST', '/api/invitations/look', { secret });
    expect(looked.json).toEqual({ site: 'My directory', email: 'new@example.org', name: 'New', role: 'editor' });
    expect(statuses(await Promise.all([1, 2, 3].map(() => accept(secret))))).toEqual([200, 403, 403]);
    expect((await api.anyone.send('POST', '/api/invitations/look', { secret })).json.code).toBe('auth.link');
    const { people, invitations } = (await owner.send('GET', '/api/people')).json;
    expect(people.map(({ email, role }: { email: string; role: Role }) => [email, role])).toEqual([
      ['owner@example.org', 'owner'],
      ['new@example.org', 'editor'],
    ]);
    expect(invitations).toEqual([]);
    expect((await signIn('NEW@example.org', PASSWORD)).json.user.name).toBe('Newcomer');
  });

  it('are written to, and nobody who reads the outbox can take their link', async () => {
    const link = await invite();
    await api.addUser('editor');
    const editor = await api.signIn('editor');
    const [mail] = (await editor.send('GET', '/api/mails')).json.mails;
    expect([mail.recipient, mail.about]).toEqual(['new@example.org', 'invitation']);
    const whole = JSON.stringify((await editor.send('GET', `/api/mails/${mail.id}`)).json);
    const file = String(await editor.download(`/api/mails/${mail.id}/eml`)).replace(/=\r?\n/g, '');
    expect(whole).toContain('/desk/invitation#');
    for (const read of [whole, file]) expect(read).not.toContain(secretOf(link));
    const kept = await api.assembly.store.mails.one(mail.id as number);
    expect(kept?.text).toContain(link);
  });

  it('cannot come a day later, after another invitation, or when theirs was withdrawn', async () => {
    const first = secretOf(await invite());
    const second = secretOf(await invite());
    expect((await accept(first)).status).toBe(403);
    now += 24 * HOUR_IN_MS;
    owner = await api.signIn('owner');
    expect((await accept(second)).status).toBe(403);
    const third = secretOf(await invite());
    const [{ id }] = (await owner.send('GET', '/api/people')).json.invitations;
    expect((await owner.send('DELETE', `/api/people/invitations/${id}`)).status).toBe(204);
    expect((await accept(third)).status).toBe(403);
  });

  it('are refused when they are here already, and when their password is short or common', async () => {
    const given = { email: 'Owner@example.org', name: '', role: 'editor' };
    const { status, json } = await owner.send('POST', '/api/people/invitations', given);
    expect([status, json.code, json.issues[0].field]).toEqual([409, 'people.taken', 'email']);
    const secret = secretOf(await invite());
    expect((await accept(secret, 'eleven char')).json.code).toBe('auth.password');
    // Among the passwords that were found in leaks, as @zxcvbn-ts/language-common lists them.
    expect((await accept(secret, 'UnbelievablE')).json.code).toBe('auth.password-common');
    expect((await accept(secret)).status).toBe(200);
  });

  it('get another role, are switched off, and come back; the last owner stays', async () => {
    const { id } = (await accept(secretOf(await invite()))).json.user;
    const change = (who: number, body: object): ReturnType<Sender['send']> =>
      owner.send('PATCH', `/api/people/${who}`, body);
    const { json: me } = await owner.send('GET', '/api/me');
    for (const body of [{ role: 'editor' }, { isOff: true }]) {
      expect((await change(me.user.id as number, body)).json.code).toBe('people.last-owner');
    }
    expect((await owner.send('POST', '/api/me/leave', { password: PASSWORD })).json.code).toBe('people.last-owner');
    expect((await change(id as number, { role: 'owner' })).status).toBe(204);
    expect((await change(id as number, { isOff: true })).status).toBe(204);
    expect((await signIn('new@example.org', PASSWORD)).json.code).toBe('auth.refused');
    // Who is switched off is no owner that anybody could go for.
    expect((await change(me.user.id as number, { role: 'editor' })).json.code).toBe('people.last-owner');
    expect((await change(id as number, { isOff: false })).status).toBe(204);
    expect((await signIn('new@example.org', PASSWORD)).status).toBe(200);
    expect((await owner.send('POST', '/api/me/leave', { password: PASSWORD })).status).toBe(204);
    expect((await owner.send('GET', '/api/people')).status).toBe(401);
  });

  it('of two owners who both go at once, one stays', async () => {
    await accept(secretOf(await invite('owner')));
    const other = await api.signInAs('new@example.org', PASSWORD);
    const both = [owner, other].map((one) => one.send('POST', '/api/me/leave', { password: PASSWORD }));
    expect(statuses(await Promise.all(both))).toEqual([204, 409]);
  });

  it('who have forgotten their password choose another one by a link, and everybody else gets the same answer', async () => {
    const ask = (email: string): ReturnType<Sender['send']> =>
      api.anyone.send('POST', '/api/passwords/forgotten', { email });
    expect([(await ask('nobody@example.org')).status, (await ask('owner@example.org')).status]).toEqual([204, 204]);
    const mail = await eventually(async () => (await api.assembly.store.mails.latest('', null, 9)).mails[0]);
    expect(mail.recipient).toBe('owner@example.org');
    const secret = /new-password#([\w-]{43})/.exec(mail.text)![1]!;
    const choose = (password: string): ReturnType<Sender['send']> =>
      api.anyone.send('POST', '/api/passwords/new', { secret, password });
    expect((await choose('short')).json.code).toBe('auth.password');
    const next = 'quite another one';
    expect(statuses(await Promise.all([1, 2, 3].map(() => choose(next))))).toEqual([204, 403, 403]);
    expect((await owner.send('GET', '/api/me')).status).toBe(401);
    expect((await signIn('owner@example.org', PASSWORD)).status).toBe(401);
    expect((await signIn('owner@example.org', next)).status).toBe(200);
  });

  it('are sent no password link to a place that only a stranger names', async () => {
    const host = { Host: 'evil.example' };
    const raw = await import('node:http');
    const sent = await new Promise<number>((resolve) => {
      const options = { method: 'POST', headers: { ...host, 'Content-Type': 'application/json' } };
      const request = raw.request(`${api.address}/api/passwords/forgotten`, options, (response) =>
        resolve(response.statusCode ?? 0),
      );
      request.end(JSON.stringify({ email: 'owner@example.org' }));
    });
    expect(sent).toBe(204);
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await api.assembly.store.mails.latest('', null, 9)).mails).toEqual([]);
  });

  it('change their password with the old one, and are signed out in all other places', async () => {
    const elsewhere = await api.signIn('owner');
    const change = (password: string, next: string): ReturnType<Sender['send']> =>
      owner.send('PUT', '/api/me/password', { password, next });
    expect((await change('wrong', 'a new long password')).json.code).toBe('auth.wrong-password');
    expect((await change(PASSWORD, 'a new long password')).status).toBe(204);
    expect([(await owner.send('GET', '/api/me')).status, (await elsewhere.send('GET', '/api/me')).status]).toEqual([
      200, 401,
    ]);
    const { mails } = await api.assembly.store.mails.latest('', null, 9);
    expect(mails.map(({ about, recipient }) => [about, recipient])).toEqual([['access-changed', 'owner@example.org']]);
  });

  it('change their address with their password, and the old address is told', async () => {
    const change = (email: string, password: string): ReturnType<Sender['send']> =>
      owner.send('PUT', '/api/me', { name: 'Office', email, password });
    expect((await change('owner@example.org', '')).json.name).toBe('Office');
    expect((await change('other@example.org', '')).json.code).toBe('auth.wrong-password');
    expect((await change('other@example.org', PASSWORD)).status).toBe(200);
    expect((await signIn('other@example.org', PASSWORD)).json.user.name).toBe('Office');
    expect((await api.assembly.store.mails.latest('', null, 9)).mails[0]!.recipient).toBe('owner@example.org');
  });

  it('are asked for a code that their telephone makes, which is taken once, or for one on paper', async () => {
    const begun = await owner.send('POST', '/api/me/second-step/start', { password: PASSWORD });
    const { secret, uri, picture } = begun.json;
    expect(uri).toMatch(/^otpauth:\/\/totp\/My%20directory:owner%40example\.org\?secret=/);
    expect(picture).toContain('<svg');
    const codeAt = (moment: number): Promise<string> => generate({ secret, epoch: Math.floor(moment / 1000) });
    const on = (code: string): ReturnType<Sender['send']> =>
      owner.send('PUT', '/api/me/second-step', { secret, code, password: PASSWORD });
    expect((await on('000000')).json.code).toBe('auth.code');
    const { json: spare } = await on(await codeAt(now));
    expect(spare.length).toBe(10);
    const inStore = await api.assembly.store.accounts.byEmail('owner@example.org');
    expect(inStore!.stepSecret).not.toContain(secret);
    expect((await signIn('owner@example.org', PASSWORD)).json.code).toBe('auth.second-step');
    // The code that turned it on was taken already.
    expect((await signIn('owner@example.org', PASSWORD, await codeAt(now))).json.code).toBe('auth.code');
    now += 30_000;
    const code = await codeAt(now);
    const both = [1, 2].map(() => signIn('owner@example.org', PASSWORD, code));
    expect(statuses(await Promise.all(both))).toEqual([200, 401]);
    expect((await signIn('owner@example.org', PASSWORD, spare[0])).status).toBe(200);
    expect((await signIn('owner@example.org', PASSWORD, spare[0])).status).toBe(401);
    expect((await owner.send('GET', '/api/me')).json.spareCodes).toBe(9);
    expect((await owner.send('POST', '/api/me/second-step/off', { password: PASSWORD })).status).toBe(204);
    expect((await signIn('owner@example.org', PASSWORD)).status).toBe(200);
    expect(await door()).toContain('step-spare');
  });

  it('do nothing without a second step where owners need one, but turn it on', async () => {
    await api.addUser('editor');
    const editor = await api.signIn('editor');
    const { json: token } = await owner.send('POST', '/api/tokens', { name: 'nightly' });
    const program = api.anyone.with({ Authorization: `Bearer ${token.secret}` });
    expect((await owner.send('PUT', '/api/site', { ownersNeedStep: true })).status).toBe(200);
    for (const sender of [owner, program]) {
      const refused = await sender.send('GET', '/api/kinds');
      expect([refused.status, refused.json.code]).toEqual([403, 'auth.step-needed']);
    }
    expect((await editor.send('GET', '/api/kinds')).status).toBe(200);
    expect((await owner.send('GET', '/api/session')).json.needsStep).toBe(true);
    expect((await signIn('owner@example.org', PASSWORD)).json.needsStep).toBe(true);
    const { json: begun } = await owner.send('POST', '/api/me/second-step/start', { password: PASSWORD });
    const code = await generate({ secret: begun.secret, epoch: Math.floor(now / 1000) });
    const on = await owner.send('PUT', '/api/me/second-step', { secret: begun.secret, code, password: PASSWORD });
    expect(on.status).toBe(200);
    for (const sender of [owner, program]) expect((await sender.send('GET', '/api/kinds')).status).toBe(200);
    expect((await owner.send('GET', '/api/session')).json.needsStep).toBe(false);
    expect((await signIn('owner@example.org', PASSWORD, on.json[0])).json.needsStep).toBe(false);
  });

  it('get all that is kept of them, and once they have left nothing tells who they were', async () => {
    await api.addUser('editor');
    const editor = await api.signIn('editor');
    await signIn('editor@example.org', 'a wrong password');
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const kindId = (await owner.send('POST', '/api/kinds', kind)).json.result.id as number;
    await editor.send('POST', `/api/kinds/${kindId}/listings`, { title: 'Petrel' });
    const { json: data } = await editor.send('GET', '/api/me/data');
    expect(data.user.email).toBe('editor@example.org');
    expect(data.changes.map(({ sentence }: { sentence: string }) => sentence)).toEqual(['Added Petrel']);
    expect(data.door.map(({ what }: { what: string }) => what)).toEqual(['refused', 'signed-in']);
    expect([data.sessions.length, data.tokens.length]).toEqual([1, 0]);
    const { id } = data.user;
    expect((await owner.send('DELETE', `/api/people/${id}`)).json.code).toBe('people.still-on');
    await owner.send('POST', `/api/people/${id}/password-link`, {});
    await owner.send('PATCH', `/api/people/${id}`, { isOff: true });
    expect((await owner.send('DELETE', `/api/people/${id}`)).status).toBe(204);
    const kept = await everythingIn(api.folder);
    expect(kept).toContain('owner@example.org');
    expect(kept).not.toContain('editor@example.org');
    expect((await owner.send('GET', '/api/people')).json.people.length).toBe(1);
    expect((await owner.send('PATCH', `/api/people/${id}`, { isOff: false })).status).toBe(404);
    expect((await owner.send('GET', '/api/changes')).json[0].who).toBe('Somebody who left');
  });

  it('are signed out after twelve idle hours and after two weeks, and see where they are signed in', async () => {
    const stay = async (hours: number): Promise<number> => {
      now += hours * HOUR_IN_MS;
      return (await owner.send('GET', '/api/me')).status;
    };
    expect(await stay(11)).toBe(200);
    expect(await stay(12)).toBe(401);
    owner = await api.signIn('owner');
    const { sessions } = (await owner.send('GET', '/api/me')).json;
    expect(sessions.length).toBe(2);
    const other = sessions.find(({ isThis }: { isThis: boolean }) => !isThis);
    expect((await owner.send('DELETE', `/api/sessions/${other.id}`)).status).toBe(204);
    for (let day = 0; day < 27; day++) expect(await stay(11.9)).toBe(200);
    expect([await stay(11.9), await stay(11.9)]).toEqual([200, 401]);
  });

  it('keep to themselves whom the site writes to, and how the office works', async () => {
    const notices = { hour: 8, told: { problems: { to: ['office@example.org'], manner: 'at-once' } } };
    const ofOffice = { notices, idleHours: 7, backups: { hour: 3, keep: 5 }, reviewReasons: ['Ask the office@first.'] };
    expect((await owner.send('PUT', '/api/site', ofOffice)).status).toBe(200);
    // What stands in every page is told to everybody too.
    for (const path of ['/api/session', '/api/page?url=/']) {
      const told = JSON.stringify((await api.anyone.send('GET', path)).json);
      expect(told).withContext(path).toContain('"zone"');
      expect(told)
        .withContext(path)
        .not.toMatch(/office@|idleHours|backups|reviewReasons/);
    }
    expect(JSON.stringify((await owner.send('GET', '/api/session')).json)).toContain('office@');
  });

  it('are in the log with their address, and no secret is', async () => {
    await api.addUser('editor');
    const editor = await api.signIn('editor');
    await editor.send('PUT', '/api/site', { name: 'Mine' });
    await signIn('stranger@example.org', 'a secret guess');
    await invite();
    await owner.send('POST', '/api/tokens', { name: 'nightly' });
    const { json: events } = await owner.send('GET', '/api/door');
    const told = events.map(({ what, who, about }: Record<string, string>) => [what, who, about].join(' ').trim());
    expect(told).toEqual([
      'token-made owner nightly',
      'invited owner new@example.org, editor',
      'refused stranger@example.org',
      'forbidden editor PUT /site',
      'signed-in editor',
      'signed-in owner',
    ]);
    expect(events.every(({ address }: { address: string }) => /127\.0\.0\.1|::1/.test(address))).toBeTrue();
    expect(JSON.stringify(events)).not.toMatch(/a secret guess|plindo_/);
    expect((await editor.send('GET', '/api/door')).status).toBe(403);
  });
});

describe('Access tokens', () => {
  let api: TestApi;
  let owner: Sender;
  let now: number;

  beforeEach(async () => {
    now = Date.now();
    api = await TestApi.start(undefined, () => new Date(now));
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterEach(() => api.stop());

  const script = async (given: object): Promise<Sender> => {
    const { json } = await owner.send('POST', '/api/tokens', { name: 'script', ...given });
    return api.anyone.with({ Authorization: `Bearer ${json.secret}` });
  };

  it('may do what their owner may, or only read', async () => {
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const reader = await script({ readOnly: true });
    expect((await reader.send('GET', '/api/kinds')).status).toBe(200);
    const refused = await reader.send('POST', '/api/kinds', kind);
    expect([refused.status, refused.json.code]).toEqual([403, 'auth.read-only']);
    // A question that is too long for an address changes nothing.
    expect((await reader.send('POST', '/api/kinds/1/expiry/plan', {})).json.code).not.toBe('auth.read-only');
    expect((await (await script({})).send('POST', '/api/kinds', kind)).status).toBe(200);
  });

  it('end when they are said to', async () => {
    const sender = await script({ days: 2 });
    now += 47 * HOUR_IN_MS;
    expect((await sender.send('GET', '/api/kinds')).status).toBe(200);
    now += HOUR_IN_MS;
    expect((await sender.send('GET', '/api/kinds')).status).toBe(401);
  });

  it('open no doors themselves', async () => {
    const sender = await script({});
    for (const [method, path, body] of [
      ['POST', '/api/tokens', { name: 'another' }],
      ['POST', '/api/people/invitations', { email: 'a@example.org', name: '', role: 'owner' }],
      ['PUT', '/api/me/password', { password: PASSWORD, next: 'a new long password' }],
      ['GET', '/api/people', undefined],
    ] as const) {
      const { status, json } = await sender.send(method, path, body);
      expect([status, json.code]).withContext(path).toEqual([403, 'auth.session-only']);
    }
  });

  it('are at most twenty, and are withdrawn with all sessions', async () => {
    const sender = await script({});
    for (let made = 1; made < 20; made++) await script({});
    expect((await owner.send('POST', '/api/tokens', { name: 'one more' })).json.code).toBe('token.too-many');
    expect((await owner.send('DELETE', '/api/sessions')).status).toBe(204);
    expect((await sender.send('GET', '/api/kinds')).status).toBe(401);
  });
});

describe('The door', () => {
  let api: TestApi;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
  });
  afterEach(() => api.stop());

  it('counts wrong passwords by account, whatever address they come from, and lets its owner in from where they were', async () => {
    const { services } = api.assembly;
    const home = { address: '192.0.2.1', browser: 'Home' };
    const given = { email: 'owner@example.org', password: PASSWORD, code: '' };
    await services.accounts.signIn(given, home);
    const guess = (at: number): Promise<string> =>
      services.accounts.signIn({ ...given, password: 'guess' }, { address: `198.51.${at}.1`, browser: 'x' }).then(
        () => 'in',
        (error: { code: string }) => error.code,
      );
    const codes: string[] = [];
    for (let at = 0; at < 22; at++) codes.push(await guess(at));
    expect(codes[19]).toBe('auth.refused');
    expect(codes.slice(20)).toEqual(['request.too-many', 'request.too-many']);
    expect((await services.accounts.signIn(given, home)).user.email).toBe('owner@example.org');
  });

  it('believes forwarded addresses of as many proxies as there are, and of no visitor', async () => {
    const statuses: number[] = [];
    for (let at = 0; at < 11; at++) {
      const forged = api.anyone.with({ 'X-Forwarded-For': `203.0.113.${at}` });
      statuses.push((await forged.send('POST', '/api/session', { email: 'a@example.org', password: 'wrong' })).status);
    }
    expect(statuses[10]).toBe(429);
    const app = await makeApp({ services: api.assembly.services, log: pino({ level: 'silent' }), trustedProxies: 1 });
    const server = await listening(app);
    const behind = `http://localhost:${(server.address() as AddressInfo).port}`;
    const one = async (forwarded: string): Promise<number> =>
      (
        await new Sender(behind, { 'X-Forwarded-For': forwarded }).send('POST', '/api/session', {
          email: 'b@example.org',
          password: 'wrong',
        })
      ).status;
    // What the visitor says stands before what the proxy adds.
    const told: number[] = [];
    for (let at = 0; at < 11; at++) told.push(await one(`203.0.113.${at}, 192.0.2.77`));
    expect([told[9], told[10], await one('192.0.2.78')]).toEqual([401, 429, 401]);
    await new Promise((resolve) => server.close(resolve));
  });

  it('is as slow for unknown accounts as for known ones', async () => {
    const known = (await api.assembly.store.accounts.byEmail('owner@example.org'))!.passwordHash;
    const { NOBODYS_HASH } = await import('../services/people/passwords.js');
    const costs = (hash: string): string => hash.split('$').slice(1, 4).join();
    expect(costs(NOBODYS_HASH)).toBe(costs(known));
  });

  it('gives a cookie that no other site can set, and HSTS, over HTTPS only', async () => {
    const app = await makeApp({ services: api.assembly.services, log: pino({ level: 'silent' }), trustedProxies: 1 });
    const server = await listening(app);
    const behind = `http://localhost:${(server.address() as AddressInfo).port}`;
    const body = { email: 'owner@example.org', password: PASSWORD };
    const secure = await new Sender(behind, { 'X-Forwarded-Proto': 'https' }).send('POST', '/api/session', body);
    expect(secure.headers.get('set-cookie')).toMatch(
      /^__Host-plindo_session=[\w-]{43}; .*Path=\/; HttpOnly; Secure; SameSite=Lax/,
    );
    expect(secure.headers.get('strict-transport-security')).toBe('max-age=31536000');
    const plain = await new Sender(behind, {}).send('POST', '/api/session', body);
    expect(plain.headers.get('set-cookie')).toMatch(/^plindo_session=/);
    expect(plain.headers.get('strict-transport-security')).toBeNull();
    await new Promise((resolve) => server.close(resolve));
  });
});

async function eventually<T>(ask: () => Promise<T | undefined>): Promise<T> {
  for (const until = Date.now() + 3000; ; await new Promise((resolve) => setTimeout(resolve, 10))) {
    const found = await ask();
    if (found !== undefined) return found;
    if (Date.now() > until) throw new Error('It did not come.');
  }
}

/** All rows of all tables of a store, as one text. */
async function everythingIn(folder: string): Promise<string> {
  const database = await openDatabase(await databaseIn(folder));
  const tables = Object.values(defineModels(database.sequelize));
  const rows = await Promise.all(tables.map((table) => table.findAll({ raw: true })));
  await database.close();
  return JSON.stringify(rows);
}
