import { isSame } from './same.js';

describe('Sameness of values', () => {
  it('is that of what is in them, in whatever order objects have it', () => {
    expect(isSame({ a: 1, b: [{ c: 'x' }] }, { b: [{ c: 'x' }], a: 1 })).toBeTrue();
    expect(isSame({ a: 1, b: [{ c: 'x' }] }, { b: [{ c: 'y' }], a: 1 })).toBeFalse();
    expect(isSame([1, 2], [2, 1])).toBeFalse();
    expect(isSame([1, 2], [1, 2, 3])).toBeFalse();
    expect(isSame([1, 2, 3], [1, 2])).toBeFalse();
  });

  it('takes nothing for nothing, and for nothing else', () => {
    expect(isSame(undefined, null)).toBeTrue();
    expect(isSame({ a: null }, {})).toBeTrue();
    expect(isSame({}, { a: undefined })).toBeTrue();
    expect(isSame({}, { a: 0 })).toBeFalse();
    for (const something of [0, '', false, [], {}]) {
      expect(isSame(null, something)).toBeFalse();
      expect(isSame(something, undefined)).toBeFalse();
    }
  });

  it('tells kinds of values apart', () => {
    expect(isSame(1, '1')).toBeFalse();
    expect(isSame([], {})).toBeFalse();
    expect(isSame({ 0: 'a' }, ['a'])).toBeFalse();
    expect(isSame(['a'], { 0: 'a', length: 1 })).toBeFalse();
    expect(isSame(true, 1)).toBeFalse();
  });
});
