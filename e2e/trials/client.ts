/** An answer of the API, read; status 0 stands for none, as the server was gone or cut off. */
export interface Answer {
  readonly status: number;
  // Trials look into answers of every shape.
  readonly json: any; // eslint-disable-line @typescript-eslint/no-explicit-any
}

/** A program that sends requests to one server with an access token. */
export class Client {
  constructor(
    private readonly address: string,
    private readonly token: string,
  ) {}

  /** Makes the owner with the link that a server has printed, and a token for programs. */
  static async ofNewOwner(address: string, setupLink: string): Promise<Client> {
    const [, secret = ''] = setupLink.split('#');
    const owner = { secret, email: 'owner@example.org', name: 'Owner', password: 'a long password' };
    return Client.ofSession(address, await post(`${address}/api/setup`, owner));
  }

  /** Signs in, and makes a token for programs. */
  static async signedIn(address: string, owner: { email: string; password: string }): Promise<Client> {
    return Client.ofSession(address, await post(`${address}/api/session`, owner));
  }

  private static async ofSession(address: string, session: Response): Promise<Client> {
    const { csrf } = (await session.json()) as { csrf: string };
    const cookie = session.headers.get('set-cookie')?.split(';')[0] ?? '';
    const token = await post(`${address}/api/tokens`, { name: 'trial' }, { Cookie: cookie, 'X-CSRF-Token': csrf });
    return new Client(address, ((await token.json()) as { secret: string }).secret);
  }

  /** The same program at another address of the same site. */
  at(address: string): Client {
    return new Client(address, this.token);
  }

  async send(method: string, path: string, body?: unknown): Promise<Answer> {
    try {
      const response = await fetch(this.address + path, {
        method,
        headers: { Authorization: `Bearer ${this.token}`, 'Content-Type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
      });
      const text = await response.text();
      return { status: response.status, json: text === '' ? null : JSON.parse(text) };
    } catch {
      return { status: 0, json: null };
    }
  }
}

function post(url: string, body: object, headers: Record<string, string> = {}): Promise<Response> {
  const sent = { 'Content-Type': 'application/json', ...headers };
  return fetch(url, { method: 'POST', headers: sent, body: JSON.stringify(body) });
}
