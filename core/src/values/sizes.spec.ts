import { sizeWords } from './sizes.js';

describe('A size', () => {
  it('is said in kilobytes, and in megabytes from one on', () => {
    const sizes = [4096, 1536, 1024 * 1024, 25 * 1024 * 1024, 31.44 * 1024 * 1024];
    expect(sizes.map(sizeWords)).toEqual(['4 KB', '1.5 KB', '1 MB', '25 MB', '31.4 MB']);
  });
});
