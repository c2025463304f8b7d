import { readFileSync } from 'node:fs';

interface Feature {
  readonly properties: { readonly kind: string };
  readonly geometry: {
    readonly type: string;
    readonly coordinates: readonly (readonly (readonly [number, number])[])[];
  };
}

describe('The base map of the demo', () => {
  const file = new URL('../../../demo/base-map.geojson', import.meta.url);
  const { type, features } = JSON.parse(readFileSync(file, 'utf8')) as { type: string; features: Feature[] };

  it('has closed, counter-clockwise outlines, as RFC 7946 (3.1.6) asks', () => {
    expect(type).toBe('FeatureCollection');
    const rings = features
      .filter(({ geometry }) => geometry.type === 'Polygon')
      .map(({ geometry }) => geometry.coordinates[0]!);
    expect(rings.length).toBe(4);
    for (const ring of rings) {
      expect(ring[0]).toEqual(ring.at(-1)!);
      const area = ring.slice(1).reduce((sum, [x, y], at) => sum + ring[at]![0] * y - x * ring[at]![1], 0);
      expect(area).toBeGreaterThan(0);
    }
  });

  it('shows each of the twelve harbours', () => {
    expect(features.filter(({ properties }) => properties.kind === 'harbour').length).toBe(12);
  });
});
