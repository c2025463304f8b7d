import { makeCategory } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';
import { structureMap } from './structure-map';

const berths = kindSummary({}, [
  { key: 'price', label: 'Price', type: 'money' },
  { key: 'services', label: 'Services', type: 'categories', settings: { set: 5 } },
  { key: 'lies_in', label: 'Lies in', type: 'link', settings: { link: 9, side: 'a' } },
]);
const harbours = kindSummary({ id: 2, many: 'Harbours' }, [
  { key: 'berths', label: 'Berths', type: 'link', settings: { link: 9, side: 'b' } },
]);
const set = { id: 5, version: 1, slug: 's', label: 'Services', categories: [makeCategory({ key: 'a', label: 'A' })] };
const end = (kindId: number, field: string, many: boolean) => ({ kindId, field, many });
const link = { id: 9, version: 1, a: end(1, 'lies_in', false), b: end(2, 'berths', true), hasNotes: false };

describe('The map of the structure', () => {
  const map = structureMap([berths, harbours], [{ set, counts: {}, usedBy: [] }], [link]);

  it('has a box for each kind and category set, none over another', () => {
    expect(map.boxes.map(({ label, about }) => [label, about])).toEqual([
      ['Berths', '3 live'],
      ['Harbours', '3 live'],
      ['Services', 'one category'],
    ]);
    for (const one of map.boxes) {
      for (const other of map.boxes) {
        const apart =
          one.x + one.width <= other.x ||
          other.x + other.width <= one.x ||
          one.y + one.height <= other.y ||
          other.y + other.height <= one.y;
        expect(one === other || apart)
          .withContext(`${one.label} and ${other.label}`)
          .toBeTrue();
      }
    }
  });

  it('has a line for each link and each use of a set, with what both ends are called and hold', () => {
    expect(map.lines.map(({ kind, label, query }) => [kind, label, query['openField']])).toEqual([
      ['link', 'Lies in (one) · Berths (many)', 'lies_in'],
      ['categories', 'Services', 'services'],
    ]);
    for (const { path } of map.lines) expect(path).toMatch(/^M [\d.]+ [\d.]+ /);
  });

  it('shows the fields of a kind that are not drawn as lines', () => {
    expect(map.boxes[0]?.fields.map(({ label }) => label)).toEqual(['Price', 'Services']);
    expect(structureMap([], [], []).boxes).toEqual([]);
  });
});
