import { allPlaces, matchingPlaces } from './jump-places';
import { makeSelection } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';

describe('The places of the jump box', () => {
  const cheap = {
    ...makeSelection({ slug: 'cheap', name: 'Not dear', purpose: 'For the newsletter' }),
    id: 5,
    version: 1,
  };
  const places = allPlaces([kindSummary()], [], [{ selection: cheap, total: 3, faults: [], usedBy: [] }]);
  const labels = (text: string): string[] => matchingPlaces(places, text).map(({ label }) => label);

  it('are found by their words in any order, whatever the case and accents', () => {
    expect(labels('BERTHS shape')).toContain('Shape of Berths');
    expect(labels('prîce')).toContain('Price');
    expect(labels('nothing of the kind')).toEqual([]);
  });

  it('stand first when their label begins with what was typed', () => {
    expect(labels('new')[0]).toMatch(/^New /);
    expect(labels('missing')).toEqual(['Problems']);
  });

  it('lead to selections, by their names and what they are for', () => {
    expect(labels('selections')).toEqual(['Selections']);
    for (const text of ['not dear', 'newsletter']) {
      expect(matchingPlaces(places, text)[0]?.link).toEqual(['/arrange/selections', 5]);
    }
  });

  it('lead to the field itself', () => {
    const [price] = matchingPlaces(places, 'price');
    expect([price?.link, price?.query]).toEqual([['/shape', 1], { openField: 'price' }]);
  });
});
