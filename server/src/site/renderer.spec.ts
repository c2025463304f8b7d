import { stubSite } from '../../testing/stub-site.js';
import { Busy, SiteRenderer } from './renderer.js';

describe('Rendering pages in threads of their own', () => {
  const site = stubSite();
  const never = new AbortController().signal;
  let renderer: SiteRenderer;
  const source = async (url: string): Promise<string> => {
    if (url === '/lost') throw new Error('The store is gone.');
    return Promise.resolve(JSON.stringify({ title: 'Page' }));
  };
  const rendered = (url: string, dropped = never): Promise<string> =>
    renderer.render(url, source, dropped).then(
      ({ html }) => html.replace(/<.*>/, '').replace(/, $/, ''),
      (error: unknown) => (error instanceof Busy ? 'busy' : (error as Error).message.split('\n')[0]!),
    );

  beforeAll(() => (renderer = new SiteRenderer(site.folder)));
  afterAll(() => site.remove());

  it('gives each page to the one who asked for it', async () => {
    const wanted = ['/a', '/b', '/c', '/d'];
    expect(await Promise.all(wanted.map((url) => rendered(url)))).toEqual(wanted.map((url) => `Page at ${url}`));
  });

  it('fails one page alone when its model or its drawing fails', async () => {
    expect(await Promise.all(['/lost', '/a', '/fails'].map((url) => rendered(url)))).toEqual([
      'The store is gone.',
      'Page at /a',
      'Error: It cannot be drawn.',
    ]);
  });

  it('lets nobody wait for a thread that has ended, and begins another', async () => {
    const ended = 'The thread that renders pages has ended.';
    expect(await Promise.all(['/ends', '/ends', '/a'].map((url) => rendered(url)))).toEqual([
      ended,
      ended,
      'Page at /a',
    ]);
  });

  it('lets twenty wait beside those that are rendered, and says to one more that it is busy', async () => {
    const answers = await Promise.all(Array.from({ length: 25 }, (_, at) => rendered(`/slow/${at}`)));
    expect(answers.filter((answer) => answer === 'busy').length).toBe(3);
    expect(answers[0]).toBe('Page at /slow/0');
    expect(await rendered('/a')).toBe('Page at /a');
  });

  it('renders nothing for those who have gone before their turn, and lets others have their place', async () => {
    const asked: string[] = [];
    const gone = new AbortController();
    const noting = (url: string): Promise<string> => {
      asked.push(url);
      return source(url);
    };
    const left = Array.from({ length: 20 }, (_, at) => renderer.render(`/slow/${at}`, noting, gone.signal));
    const ends = Promise.allSettled(left);
    gone.abort();
    expect(await Promise.all(['/a', '/b'].map((url) => rendered(url)))).toEqual(['Page at /a', 'Page at /b']);
    const states = (await ends).map(({ status }) => status);
    expect(states.filter((status) => status === 'rejected').length).toBe(18);
    expect(asked.length).toBe(2);
  });

  it('is warmed up in every thread', async () => {
    const asked: string[] = [];
    await renderer.warmUp('/', (url) => {
      asked.push(url);
      return source(url);
    });
    expect(asked).toEqual(['/', '/']);
  });
});
