import type { Role } from '@plindo/core/contract';
import { ROLES } from '@plindo/core/contract';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, PASSWORD, TestApi } from '../../testing/test-api.js';
import { allRoutes } from './routes/index.js';

/** From the one who may least to the one who may most; null is nobody who is signed in. */
const RANKS: readonly (Role | null)[] = [null, 'contributor', 'editor', 'owner'];

/** By who may use it at least, every route that there is; written by hand, as what is meant is not what is there. */
const MEANT: Readonly<Record<'nobody' | Role, readonly string[]>> = {
  nobody: [
    'GET /page',
    'GET /page/near',
    'GET /calendar/:secret.ics',
    'GET /cards',
    'GET /places',
    'GET /session',
    'GET /suggestions',
    'POST /session',
    'POST /setup',
    ...['POST /invitations/look', 'POST /invitations/accept', 'POST /passwords/forgotten', 'POST /passwords/new'],
  ],
  contributor: [
    ...['DELETE /session', 'DELETE /sessions', 'DELETE /sessions/:session'],
    ...['DELETE /tokens/:id', 'GET /tokens', 'POST /tokens'],
    ...['GET /me', 'PUT /me', 'PUT /me/password', 'PUT /me/second-step', 'POST /me/second-step/start'],
    ...['POST /me/second-step/off', 'POST /me/leave', 'GET /me/data', 'GET /submissions/own'],
  ],
  editor: [
    ...[
      'GET /kinds/:id/names',
      'POST /kinds/:id/totals',
      'GET /events',
      'POST /desk',
      'POST /kinds/:id/compare',
      'POST /kinds/:id/update-from-file',
    ],
    ...['GET /category-sets', 'GET /changes', 'GET /find', 'GET /kinds', 'GET /kinds/:id', 'GET /kinds/:id/bin'],
    ...['GET /kinds/:id/candidates', 'GET /kinds/:id/listings', 'GET /kinds/:id/preview', 'GET /kinds/:id/table'],
    ...[
      'GET /links',
      'GET /kinds/:id/link-ideas',
      'GET /listings/:id',
      'GET /listings/:id/history',
      'GET /listings/:id/selections',
    ],
    ...[
      'GET /page/design',
      'GET /page/explain',
      'GET /page/missed',
      'GET /pictures',
      'GET /problems',
      'GET /selections',
    ],
    ...['POST /selections/explain', 'POST /selections/missing', 'POST /selections/preview', 'PUT /kinds/:id/table'],
    ...['DELETE /kinds/:id/bin', 'DELETE /listings/:id', 'DELETE /pictures/unused', 'PATCH /listings/:id'],
    ...['POST /category-sets/:id/categories', 'POST /files', 'POST /kinds/:id/batch', 'POST /kinds/:id/duplicate'],
    ...['POST /kinds/:id/hand-order', 'POST /kinds/:id/listings', 'POST /listings/:id/restore', 'POST /pictures'],
    ...['POST /pictures/delete', 'POST /changes/:id/undo'],
    ...[
      'GET /designs',
      'GET /designs/:id/versions',
      'GET /kinds/:id/samples',
      'GET /listings/:id/page',
      'GET /listings/:id/sample',
      'POST /designs',
      'POST /designs/preview',
      'PUT /designs/:id',
    ],
    ...['POST /designs/:id/main', 'DELETE /designs/:id', 'GET /drafts', 'POST /drafts', 'PUT /drafts/:id'],
    ...['GET /addresses/former', 'POST /addresses/look', 'GET /kinds/:id/serving', 'POST /designs/order'],
    ...['DELETE /drafts/:id', 'POST /drafts/moment', 'POST /drafts/publish'],
    ...['POST /notices/preview', 'POST /notices/send'],
    ...['GET /mails', 'GET /mails/:id', 'GET /mails/:id/eml', 'GET /calendar', 'POST /kinds/:id/expiry/what-if'],
    ...['GET /site-starters', 'GET /examples', 'DELETE /examples', 'POST /starter-files/check'],
    ...['GET /submissions', 'GET /submissions/counts', 'GET /submissions/:id', 'POST /submissions/decide'],
    ...['POST /submissions/:id/accept', 'POST /submissions/:id/merge', 'POST /submissions/:id/return'],
    ...['POST /submissions/:id/refuse', 'POST /submissions/:id/trust', 'GET /learn', 'GET /learn/:table'],
  ],
  owner: [
    'DELETE /submissions/:id/sender',
    ...['GET /people', 'PATCH /people/:id', 'DELETE /people/:id', 'POST /people/:id/password-link', 'GET /door'],
    ...['GET /backups', 'POST /backups', 'GET /backups/:id/zip'],
    ...['POST /people/invitations', 'DELETE /people/invitations/:id'],
    ...['DELETE /category-sets/:id', 'DELETE /kinds/:id', 'DELETE /links/:id', 'DELETE /selections/:id'],
    ...['GET /blueprint', 'GET /blueprint/zip', 'POST /blueprint', 'POST /blueprint/plan', 'POST /blueprint/zip'],
    ...['POST /blueprint/preview', 'POST /blueprint/zip/preview'],
    ...['GET /site-starters/:name/preview', 'POST /site-starters/:name'],
    ...['POST /blueprint/zip/plan', 'POST /category-sets', 'POST /kinds', 'POST /kinds/:id/rename-key'],
    ...['POST /calendar/feed', 'DELETE /calendar/feed', 'DELETE /views'],
    ...['POST /kinds/:id/addresses/plan', 'POST /kinds/:id/expiry/plan', 'POST /site/zone/plan'],
    ...['POST /kinds/:id/type-change', 'POST /kinds/:id/type-change/plan', 'POST /links', 'POST /selections'],
    ...['POST /kinds/:id/field-to-link', 'POST /kinds/:id/field-to-link/plan'],
    ...['PUT /category-sets/:id', 'PUT /kinds/:id', 'PUT /links/:id', 'PUT /selections/:id', 'PUT /site'],
    ...[
      'DELETE /imports/:id',
      'GET /imports/:id',
      'POST /imports',
      'POST /pictures/from-address',
      'POST /imports/:id/finish',
      'POST /imports/:id/rows',
    ],
  ],
};

describe('Access to the API', () => {
  let api: TestApi;

  beforeAll(async () => {
    api = await TestApi.start();
    for (const role of ROLES) await api.addUser(role);
  });
  afterAll(() => api.stop());

  it('is as it is meant for every route and every role', async () => {
    const all = Object.values(MEANT).flat();
    const routes = allRoutes(api.assembly.services).map(({ method, path }) => `${method.toUpperCase()} ${path}`);
    expect(routes.sort()).toEqual([...all].sort());
    for (const role of [null, ...ROLES]) {
      const signedIn = (): Promise<Sender> => (role === null ? Promise.resolve(api.anyone) : api.signIn(role));
      let sender = await signedIn();
      for (const [least, routesOf] of Object.entries(MEANT)) {
        for (const route of routesOf) {
          const [method = '', path = ''] = route.split(' ');
          const { status, json } = await sender.send(method, `/api${path.replace(':id', '999999')}`);
          const mayUse = RANKS.indexOf(role) >= RANKS.indexOf(least === 'nobody' ? null : (least as Role));
          const code = String(json?.code ?? '');
          const isRefused = code === 'auth.required' || code === 'auth.forbidden';
          expect(isRefused).withContext(`${role} ${route}: ${status} ${code}`).toBe(!mayUse);
          if (isRefused) expect(status).toBe(role === null ? 401 : 403);
          // What is sent here makes no sense, but it must never be the server that fails.
          expect(status).withContext(`${role} ${route}`).toBeLessThan(500);
          // Signing in takes long on purpose, so it is done again only where the session may have ended.
          if (method !== 'GET' && /^\/(session|me)/.test(path)) sender = await signedIn();
        }
      }
    }
  }, 120_000);

  it('asks for the session’s token with every change, and refuses requests from other sites', async () => {
    const owner = await api.signIn('owner');
    const change = (sender: typeof owner): Promise<{ status: number }> =>
      sender.send('POST', '/api/tokens', { name: 'x' });
    expect((await change(owner)).status).toBe(200);
    expect((await change(owner.without('X-CSRF-Token'))).status).toBe(403);
    expect((await change(owner.with({ 'X-CSRF-Token': 'x'.repeat(43) }))).status).toBe(403);
    expect((await change(owner.with({ 'Sec-Fetch-Site': 'cross-site' }))).status).toBe(403);
  });

  it('lets a script in with a token until it is withdrawn', async () => {
    const owner = await api.signIn('owner');
    const { json: token } = await owner.send('POST', '/api/tokens', { name: 'nightly' });
    const script = api.anyone.with({ Authorization: `Bearer ${token.secret}` });
    expect(
      (await script.send('POST', '/api/kinds', { ...BERTHS, slug: 'by-script', one: 'S', many: 'Ss' })).status,
    ).toBe(200);
    expect((await owner.send('GET', '/api/tokens')).json[0].lastUsedAt).not.toBeNull();
    expect((await owner.send('DELETE', `/api/tokens/${token.id}`)).status).toBe(204);
    expect((await script.send('GET', '/api/kinds')).status).toBe(401);
  });

  it('keeps passwords and session secrets as hashes only', async () => {
    const found = await api.assembly.store.accounts.byEmail('owner@example.org');
    expect(found?.passwordHash).toMatch(/^\$argon2id\$/);
    const owner = await api.signIn('owner');
    const cookie = (owner as unknown as { headers: Record<string, string> }).headers['Cookie'] ?? '';
    expect(await api.assembly.store.sessions.owner(cookie.split('=')[1] ?? '')).toBeNull();
  });

  it('ends all sessions of a user at once', async () => {
    const [here, there] = [await api.signIn('editor'), await api.signIn('editor')];
    expect((await here.send('DELETE', '/api/sessions')).status).toBe(204);
    expect((await there.send('GET', '/api/kinds')).status).toBe(401);
  });
});

describe('The first owner', () => {
  it('is made once, by the link that is printed', async () => {
    const api = await TestApi.start();
    const secret = await api.assembly.services.accounts.setupSecret();
    const given = { secret, email: 'First@Example.org', name: 'First', password: PASSWORD };
    expect((await api.anyone.send('POST', '/api/setup', { ...given, secret: 'guess' })).json.code).toBe(
      'auth.setup-link',
    );
    expect((await api.anyone.send('POST', '/api/setup', { ...given, password: 'short' })).json.code).toBe(
      'auth.password',
    );
    const made = await api.anyone.send('POST', '/api/setup', given);
    expect(made.json.user).toEqual({ id: 1, email: 'first@example.org', name: 'First', role: 'owner' });
    expect(made.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Lax/);
    expect((await api.anyone.send('POST', '/api/setup', given)).status).toBe(403);
    expect(await api.assembly.services.accounts.setupSecret()).toBeNull();
    await api.stop();
  });

  it('is not guessed: after ten wrong passwords the door stays shut for a while', async () => {
    const api = await TestApi.start();
    const statuses: number[] = [];
    for (let tries = 0; tries < 11; tries++) {
      statuses.push(
        (await api.anyone.send('POST', '/api/session', { email: 'a@example.org', password: 'wrong' })).status,
      );
    }
    expect([statuses[9], statuses[10]]).toEqual([401, 429]);
    await api.stop();
  }, 30_000);
});
