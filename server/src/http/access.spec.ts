import { ROLES } from '@plindo/core/contract';
import { BERTHS, PASSWORD, TestApi } from '../../testing/test-api.js';
import { PERMISSIONS, isAllowed } from '../services/permissions.js';
import { allRoutes } from './routes/index.js';

describe('Access to the API', () => {
  let api: TestApi;

  beforeAll(async () => {
    api = await TestApi.start();
    for (const role of ROLES) await api.addUser(role);
  });
  afterAll(() => api.stop());

  it('is decided by one table, for every route and every role', async () => {
    for (const role of [null, ...ROLES]) {
      for (const { method, path, permission } of allRoutes(api.assembly.services)) {
        // Signing out would end the session that is being tried.
        if (method === 'delete' && path.startsWith('/session')) continue;
        const sender = role === null ? api.anyone : await api.signIn(role);
        const { status } = await sender.send(method.toUpperCase(), `/api${path.replace(':id', '999999')}`);
        const isRefused = status === 403 || (status === 401 && path !== '/session');
        expect(isRefused).withContext(`${role} ${method} ${path}: ${status}`).toBe(!isAllowed(role, permission));
      }
    }
  }, 60_000);

  it('gives the owner everything and a contributor no listings', () => {
    const names = Object.keys(PERMISSIONS) as (keyof typeof PERMISSIONS)[];
    expect(names.every((name) => isAllowed('owner', name))).toBeTrue();
    expect(names.filter((name) => isAllowed('contributor', name))).toEqual([
      'visit',
      'use the desk',
      'manage own access',
    ]);
    expect(names.filter((name) => isAllowed(null, name))).toEqual(['visit']);
  });

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
    const found = await api.assembly.store.accounts.userByEmail('owner@example.org');
    expect(found?.passwordHash).toMatch(/^\$argon2id\$/);
    const owner = await api.signIn('owner');
    const cookie = (owner as unknown as { headers: Record<string, string> }).headers['Cookie'] ?? '';
    expect(await api.assembly.store.accounts.sessionOwner(cookie.split('=')[1] ?? '')).toBeNull();
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
