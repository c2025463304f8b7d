import type { Sending } from './suspicion.js';
import { suspicionsOf } from './suspicion.js';

describe('What may be misuse', () => {
  const of = (more: Partial<Sending>): string[] =>
    suspicionsOf({ trap: '', tookInMs: 2000, texts: ['A yard at www.yard.example'], isRepeated: false, ...more });

  it('is nothing that somebody wrote and looked over', () => {
    expect(of({})).toEqual([]);
    expect(of({ trap: '  ' })).toEqual([]);
  });

  it('filled the field that people do not see, took no time, advertises, or was sent before; all of them are told', () => {
    expect(of({ trap: '555' })).toEqual(['trap']);
    expect(of({ tookInMs: 1999 })).toEqual(['fast']);
    expect(of({ texts: ['http://a', 'HTTPS://b www.c', 'http://d'] })).toEqual(['links']);
    expect(of({ texts: ['http://a', 'HTTPS://b www.c', 'nohttp awww.d'] })).toEqual([]);
    expect(of({ trap: 'x', tookInMs: 0, isRepeated: true })).toEqual(['trap', 'fast', 'repeated']);
  });
});
