import { makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeField } from '../../structure/index.js';
import type { Newcomer } from './likely-same.js';
import { likelySame } from './likely-same.js';

const phone = makeField({ key: 'phone', label: 'Telephone', type: 'phone' });
// One hundredth of a degree of latitude is some 1,113 m (WGS 84).
const at = (latitude: number) => ({ latitude, longitude: 0, address: '' });
const yards = buildCatalog(
  makeKind([phone], { parts: ['place'] }),
  [
    makeListing({ id: 1, title: 'Petrel Yard', place: at(50), values: { phone: '+44 1234 555019' } }),
    makeListing({ id: 2, title: 'Petrel Yard', status: 'binned', place: at(50) }),
    makeListing({ id: 3, title: 'Petrel Yard and the long history of all its boats', place: at(50.01) }),
    makeListing({ id: 4, title: 'Tern Works', status: 'draft', place: at(50.001), values: { phone: '01234 555 019' } }),
    makeListing({ id: 5, title: 'Gull Yard', values: { phone: '555019' } }),
  ],
  'en',
);

describe('A listing that may be there already', () => {
  const found = (more: Partial<Newcomer>): unknown =>
    likelySame(yards, { title: '', place: null, telephones: [], ...more }).map(({ id, why }) => [id, ...why]);

  it('is called alike, but for a word; not one whose title only holds the words, nor one in the bin', () => {
    expect(found({ title: 'The petrel yard' })).toEqual([[1, 'title']]);
    expect(found({ title: 'Yard' })).toEqual([
      [1, 'title'],
      [5, 'title'],
    ]);
    expect(found({ title: 'Shearwater Slip' })).toEqual([]);
  });

  it('has the same telephone, however its prefix is written; too few digits tell nothing', () => {
    expect(found({ telephones: ['0044 (1234) 555-019'] })).toEqual([
      [1, 'telephone'],
      [4, 'telephone'],
    ]);
    expect(found({ telephones: ['555019', ''] })).toEqual([]);
  });

  it('stands within 150 m; those for which most speaks come first', () => {
    expect(found({ place: at(50.0013) })).toEqual([
      [1, 'place'],
      [4, 'place'],
    ]);
    expect(found({ title: 'Tern Works', place: at(50.0013), telephones: ['01234 555019'] })).toEqual([
      [4, 'title', 'telephone', 'place'],
      [1, 'telephone', 'place'],
    ]);
  });
});
