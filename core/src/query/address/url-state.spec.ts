import fc from 'fast-check';
import { BERTH_FIELDS, makeKind } from '../../../testing/builders.js';
import { queryFromUrl, urlOfQuery } from './url-state.js';

const kind = makeKind(BERTH_FIELDS);
const alone = (): undefined => undefined;

/** The canonical address of an address. */
function canonical(search: string): string {
  return urlOfQuery(queryFromUrl(new URLSearchParams(search), kind, alone), kind, alone);
}

describe('The state of a page in its address', () => {
  it('is written as it was read', () => {
    const url = 'q=fuel+dock&type=buoy,quay&facilities=power,water&price=10..40&since=2025-01-01..&sort=title&page=2';
    expect(canonical(url)).toBe(url);
  });

  it('is the same whatever order its parts and their values come in', () => {
    const one = canonical('type=quay,buoy&facilities=water&sort=title&facilities=power');
    expect(one).toBe('type=buoy,quay&facilities=power,water&sort=title');
    expect(canonical('sort=title&facilities=power,water,power&type=buoy&type=quay')).toBe(one);
  });

  it('reads what a form without JavaScript sends', () => {
    const sent = 'q=&facilities=water&facilities=power&price-from=10&price-to=&length-from=&length-to=&sort=title';
    expect(canonical(sent)).toBe('facilities=power,water&price=10..&sort=title');
  });

  it('leaves out what means nothing', () => {
    for (const search of [
      'colour=red',
      'sort=nothing',
      'page=0',
      'page=x',
      'price=cheap',
      'price=..',
      'type=,',
      'page=1',
    ]) {
      expect(canonical(search)).withContext(search).toBe('');
    }
  });

  it('gives bounds in the unit of the field', () => {
    const query = queryFromUrl(new URLSearchParams('price=10.50..&length=..12'), kind, alone);
    expect(query.choices.get('price')).toEqual({ kind: 'range', least: 1050, greatest: null });
    expect(query.choices.get('length')).toEqual({ kind: 'range', least: null, greatest: 12 });
  });

  it('is stable for any address: canonical of canonical is canonical', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('q', 'type', 'price', 'length-from', 'page', 'sort', 'x'), fc.string())),
        (parts) => {
          const once = canonical(new URLSearchParams(parts).toString());
          expect(canonical(once)).toBe(once);
        },
      ),
    );
  });
});
