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
    const headers = { 'Content-Type': 'application/json' };
    const made = await fetch(`${address}/api/setup`, { method: 'POST', headers, body: JSON.stringify(owner) });
    const { csrf } = (await made.json()) as { csrf: string };
    const cookie = made.headers.get('set-cookie')?.split(';')[0] ?? '';
    const token = await fetch(`${address}/api/tokens`, {
      method: 'POST',
      headers: { ...headers, Cookie: cookie, 'X-CSRF-Token': csrf },
      body: JSON.stringify({ name: 'trial' }),
    });
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
