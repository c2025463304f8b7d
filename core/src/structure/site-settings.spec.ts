import { originOfTiles } from './site-settings.js';

describe('Pictures of the ground', () => {
  it('come from one server, over a secure connection, by zoom, column and row', () => {
    const originOf = (url: string): string | null => originOfTiles({ url });
    expect(originOf('https://tiles.example/{z}/{x}/{y}.png')).toBe('https://tiles.example');
    expect(originOf('https://tiles.example:8443/a?z={z}&x={x}&y={y}')).toBe('https://tiles.example:8443');
    for (const wrong of [
      ...['http://tiles.example/{z}/{x}/{y}.png', 'https://tiles.example/{z}/{x}.png', '{z}/{x}/{y}', ''],
      ...['https://{x}.example/{z}/{x}/{y}.png', 'https://a@tiles.example/{z}/{x}/{y}', 'https://{z}{x}{y}'],
      "https://tiles.example; script-src 'unsafe-inline'/{z}/{x}/{y}",
    ]) {
      expect(originOf(wrong)).withContext(wrong).toBeNull();
    }
  });
});
