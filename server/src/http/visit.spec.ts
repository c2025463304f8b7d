import { arrivedFrom } from './visit.js';

const from = (headers: Record<string, string>): string | null =>
  arrivedFrom({ headers: { host: 'guide.example:8080', ...headers } });

describe('Where a visitor comes from', () => {
  it('is the host of another site alone, without its path and without www', () => {
    expect(from({ referer: 'https://www.club.example/secret/page?who=ana' })).toBe('club.example');
    expect(from({ referer: 'http://search.example:81/' })).toBe('search.example');
  });

  it('is nothing where no site is told, or something that is none', () => {
    expect(from({})).toBe('');
    expect(from({ referer: 'about:blank' })).toBe('');
    expect(from({ referer: 'nonsense' })).toBe('');
    expect(from({ referer: 'android-app://some.program/' })).toBe('');
  });

  it('is no arrival for who was here already', () => {
    expect(from({ referer: 'http://guide.example:8080/berths' })).toBeNull();
    expect(from({ 'sec-fetch-site': 'same-origin' })).toBeNull();
  });
});
