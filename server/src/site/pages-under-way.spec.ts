import { PagesUnderWay } from './pages-under-way.js';

describe('Pages under way', () => {
  /** Makes pages when it is told to, and remembers which were begun and dropped. */
  class Maker {
    readonly begun: string[] = [];
    readonly dropped: string[] = [];
    private readonly ready = new Map<string, (page: string) => void>();

    make(name: string): (dropped: AbortSignal) => Promise<string> {
      return (dropped) => {
        this.begun.push(name);
        dropped.addEventListener('abort', () => this.dropped.push(name));
        return new Promise((resolve) => this.ready.set(name, resolve));
      };
    }

    finish(name: string): void {
      this.ready.get(name)?.(`page ${name}`);
    }
  }

  const stays = new AbortController().signal;
  let maker: Maker;
  let underWay: PagesUnderWay<string>;

  beforeEach(() => {
    maker = new Maker();
    underWay = new PagesUnderWay();
  });

  it('are made once for all who ask for them meanwhile, and anew afterwards', async () => {
    const pages = ['a', 'a', 'b', 'a'].map((name) => underWay.join(name, stays, maker.make(name)));
    maker.finish('a');
    maker.finish('b');
    expect(await Promise.all(pages)).toEqual(['page a', 'page a', 'page b', 'page a']);
    void underWay.join('a', stays, maker.make('a'));
    expect(maker.begun).toEqual(['a', 'b', 'a']);
  });

  it('are dropped when all who waited have gone, and not before', async () => {
    const visitors = [new AbortController(), new AbortController()];
    const pages = visitors.map(({ signal }) => underWay.join('a', signal, maker.make('a')));
    visitors[0]!.abort();
    expect(maker.dropped).toEqual([]);
    visitors[1]!.abort();
    expect(maker.dropped).toEqual(['a']);
    const later = underWay.join('a', stays, maker.make('a'));
    maker.finish('a');
    expect(await later).toBe('page a');
    expect(maker.begun).toEqual(['a', 'a']);
    expect(pages.length).toBe(2);
  });

  it('tell all who wait that one failed, and try it anew for the next', async () => {
    const fails = (): Promise<string> => Promise.reject(new Error('no'));
    await expectAsync(underWay.join('a', stays, fails)).toBeRejectedWithError('no');
    const next = underWay.join('a', stays, maker.make('a'));
    maker.finish('a');
    expect(await next).toBe('page a');
  });
});
