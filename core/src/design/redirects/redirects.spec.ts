import { readRedirects, writeRedirects } from '../../exchange/index.js';
import { checkRedirects, comparedAddress, makeRedirects, redirectTable, redirectedTo } from '../index.js';

const led = (...entries: readonly (readonly [from: string, to: string])[]) =>
  makeRedirects({ name: 'Ours', entries: entries.map(([from, to]) => ({ from, to })) });

describe('Redirects', () => {
  it('compare addresses without site, last slash and what stands behind #', () => {
    const same = ['/berths/5', '/berths/5/', 'https://old.example/berths/5/#prices', ' http://old.example/berths/5 '];
    expect(new Set(same.map(comparedAddress))).toEqual(new Set(['/berths/5']));
    expect(comparedAddress('/page.php?id=5')).toBe('/page.php?id=5');
    expect([comparedAddress('/'), comparedAddress('https://old.example'), comparedAddress('about')]).toEqual([
      '/',
      '',
      '',
    ]);
  });

  it('lead at once to the last of a chain, and nowhere in a circle', () => {
    const { entries } = led(['/a', '/b'], ['/b', '/c/'], ['/c', 'https://new.example/c'], ['/x', '/y'], ['/y', '/x']);
    const table = redirectTable(entries);
    const all = ['/a', '/b/', '/c', '/x', '/y', '/z'].map((address) => redirectedTo(address, table));
    const last = 'https://new.example/c';
    expect(all).toEqual([last, last, last, null, null, null]);
    // Where something stands by itself, the chain ends.
    expect(redirectedTo('/a', table, (address) => address === '/c')).toBe('/c/');
  });

  it('are refused with the place of what is no address, comes twice, or leads back', () => {
    const wrong = checkRedirects(led(['old', '/a'], ['/b', 'nowhere'], ['/c', '/d'], ['/c/', '/e'], ['/f', '/f']));
    expect(wrong.map(({ field }) => field)).toEqual(['entries.1', 'entries.2', 'entries.4', 'entries.5']);
    expect(checkRedirects(led(['/a', '/b'], ['/b', '/c']))).toEqual([]);
  });

  it('are read from a file with or without a header, and written so that it is read as the same', () => {
    const plain = readRedirects('/old/1,/berths/a\r\n"/old/2?x=1,2",https://new.example/b\r\n');
    expect(plain).toEqual(
      jasmine.objectContaining({
        value: {
          entries: [
            { from: '/old/1', to: '/berths/a' },
            { from: '/old/2?x=1,2', to: 'https://new.example/b' },
          ],
          left: [],
        },
      }),
    );
    const headed = readRedirects('Former;New;Note\n/old/1;/a;x\nold;/b;y\n/old/3;;z\n');
    expect(headed.ok && [headed.value.entries.length, headed.value.left.map(({ line }) => line)]).toEqual([1, [3, 4]]);
    const entries = [{ from: '/a"b', to: '/c,d' }];
    const again = readRedirects(writeRedirects(entries));
    expect(again.ok && again.value.entries).toEqual(entries);
    expect(readRedirects('').ok).toBeFalse();
  });
});
