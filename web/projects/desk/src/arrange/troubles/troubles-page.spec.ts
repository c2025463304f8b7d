import { DeskServer } from '../../../../../harness/desk';
import { kindSummary, makeCard, makeIndexPage } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { TroublesPage } from './troubles-page';

describe('The list of troubles', () => {
  let server: DeskServer;
  let shown: Shown<TroublesPage>;

  beforeEach(async () => {
    server = new DeskServer('editor');
    shown = await Shown.of(TroublesPage, {});
    await server.answer('GET', '/api/category-sets', []);
    await shown.settled();
  });
  /** Begins to look, also where the Desk has only just been opened. */
  async function look(): Promise<void> {
    await shown.press('Look at all listings');
    await server.answer('GET', '/api/kinds', [kindSummary()]);
  }
  /** Answers all that is asked until nothing is asked any more. */
  async function answerAll(cards: ReturnType<typeof makeCard>[]): Promise<void> {
    for (let turn = 0; turn < 12; turn++) {
      for (const request of server.waiting('GET', '/api/kinds/1/preview')) {
        const isFirst = request.request.params.get('search') === 'page=1';
        request.flush(makeIndexPage({ cards: isFirst ? cards : [] }));
      }
      for (const request of server.waiting('GET', '/api/page')) request.flush(makeIndexPage({ cards: [] }));
      await new Promise((resolve) => setTimeout(resolve));
    }
    await shown.settled();
  }

  it('looks at every listing once, and groups what is wrong, with the way to each', async () => {
    await look();
    await answerAll([makeCard({ id: 1, title: 'Quay 1' }), makeCard({ id: 2, title: 'Quay 2' })]);
    expect(shown.texts('h2')).toContain('There is no picture');
    const links = shown.all('.panel li a').map((link) => link.getAttribute('href'));
    expect(links).toContain('/fill/1/1');
    expect(links).toContain('/fill/1/2');
    expect(shown.all('.trouble-host').length).toBe(0);
  });

  it('is stopped in the middle, and begun again', async () => {
    await look();
    await shown.press('Stop');
    await answerAll([makeCard({ id: 1 })]);
    expect(shown.texts('button')).toContain('Look again');
  });

  it('says when nothing is wrong', async () => {
    await look();
    await answerAll([]);
    expect(shown.texts('[role=status]')).toContain('Nothing is wrong with any card or page.');
  });
});
