const READ_IN_MS = 20;

interface Waiting {
  readonly url: URL;
  readonly answer: (response: Response) => void;
}

/** Answers what pages of the site ask for by `fetch`. A spec puts {@link fetch} in its place. */
export class FetchedServer {
  private waiting: Waiting[] = [];

  /** What stands in the place of `fetch`. */
  readonly fetch = (asked: RequestInfo | URL): Promise<Response> => {
    const url = new URL(String(asked), location.origin);
    return new Promise((answer) => this.waiting.push({ url, answer }));
  };

  /** Answers the first request at a path that waits, and gives what stood behind "?" in it. */
  async answer(path: string, body: unknown, status = 200): Promise<URLSearchParams> {
    const request = this.waiting.find(({ url }) => url.pathname === path);
    if (!request)
      throw new Error(`Nobody asks for ${path}, but for ${this.waiting.map(({ url }) => url.pathname).join()}.`);
    this.waiting = this.waiting.filter((one) => one !== request);
    request.answer(new Response(JSON.stringify(body), { status }));
    // A browser reads the answer beside everything else.
    await new Promise((resolve) => setTimeout(resolve, READ_IN_MS));
    return request.url.searchParams;
  }
}
