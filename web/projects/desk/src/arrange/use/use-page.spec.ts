import { MATERIAL_ANIMATIONS } from '@angular/material/core';
import type { Design } from '@plindo/core/design';
import { makeCard, makeLook } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { UsePage } from './use-page';

describe('The page of the use of designs', () => {
  it('names first what visitors meet nowhere, with the way to it, then everything with its places', async () => {
    const server = new DeskServer('editor', [{ provide: MATERIAL_ANIMATIONS, useValue: { animationsDisabled: true } }]);
    const summary = kindSummary({ many: 'Berths', one: 'Berth' });
    const card = (id: number, name: string): Design => ({
      ...{ id, version: 1, type: 'card', kindId: summary.kind.id, position: id },
      definition: makeCard({ name }),
    });
    const look: Design = {
      ...{ id: 9, version: 1, type: 'look', kindId: null, position: 9 },
      definition: makeLook({ name: 'Worn' }),
    };
    const shown = await Shown.of(UsePage, {});
    await server.answer('GET', '/api/kinds', [summary]);
    await server.answer('GET', '/api/designs', [card(1, 'Main'), card(2, 'Waiting'), look]);
    await server.answer('GET', '/api/selections', []);
    await shown.settled();
    expect(shown.texts('h2').slice(-3)).toEqual(jasmine.arrayContaining(['Cards', 'Looks']));
    const unused = shown.all('section')[0]!;
    expect(unused.textContent).toContain('Waiting');
    expect(unused.querySelector('a')!.getAttribute('href')).toContain(`/arrange/${summary.kind.id}/cards/`);
    expect(shown.texts('td').join()).toContain('all pages');
  });
});
