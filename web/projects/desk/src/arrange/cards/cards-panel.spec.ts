import type { KeptCard } from '@plindo/core/design';
import { firstCard } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { CardsPanel } from './cards-panel';

const { kind } = kindSummary();
const cardNamed = (id: number, name: string): KeptCard => ({
  ...{ id, version: 1, type: 'card', kindId: kind.id, position: id },
  definition: { ...firstCard(kind), name },
});

describe('The cards of a kind', () => {
  it('are shown in their new order as soon as another one is the main card', async () => {
    const server = new DeskServer('editor');
    const shown = await Shown.of(CardsPanel, { kind });
    const [plain, wide] = [cardNamed(1, 'Plain'), cardNamed(2, 'Wide')];
    await server.answer('GET', '/api/designs', [plain, wide]);
    await shown.settled();
    expect(shown.texts('li a')).toEqual(['Plain', 'Wide']);
    await shown.press('Make it the main card');
    await server.answer('POST', '/api/designs/2/main', { changeId: 1, result: wide });
    await server.answer('GET', '/api/designs', [
      { ...wide, position: 1 },
      { ...plain, position: 2 },
    ]);
    await shown.settled();
    expect(shown.texts('li a')).toEqual(['Wide', 'Plain']);
  });
});
