import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { STRUCTURED_TYPE_NAMES, makeKindDefinition, structuredTypeOf } from '@plindo/core/structure';
import type { Kind } from '@plindo/core/structure';
import type { DesignedPage } from '@plindo/core/page';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

/**
 * The vocabulary of schema.org as the package schema-dts 2.1.0 has it, which Google makes from schema.org's own release:
 * of each type what it is a kind of, and its properties.
 */
class Vocabulary {
  private readonly types = new Map<
    string,
    { readonly parents: readonly string[]; readonly own: ReadonlySet<string> }
  >();

  constructor() {
    const main = createRequire(import.meta.url).resolve('schema-dts');
    const text = readFileSync(join(dirname(main), 'schema.d.ts'), 'utf8');
    for (const [, name = '', parents = '', body = ''] of text.matchAll(
      /^(?:export )?interface (\w+)(?: extends ([^{]+))? \{\n([\s\S]*?)^\}/gm,
    )) {
      const own = new Set([...body.matchAll(/^ {4}"(\w+)"\??:/gm)].map(([, property = '']) => property));
      this.types.set(name, { parents: parents.split(',').map((one) => one.trim()), own });
    }
  }

  knows(type: string): boolean {
    return this.types.has(`${type}Leaf`) || this.types.has(`${type}Base`);
  }

  has(type: string, property: string): boolean {
    return [`${type}Leaf`, `${type}Base`].some((name) => this.inherits(name, property));
  }

  private inherits(name: string, property: string): boolean {
    const found = this.types.get(name);
    return (
      found !== undefined && (found.own.has(property) || found.parents.some((one) => this.inherits(one, property)))
    );
  }
}

/** What of a node is not in the vocabulary: "Place.harbourMaster". */
function strange(node: unknown, vocabulary: Vocabulary): string[] {
  if (Array.isArray(node)) return node.flatMap((one) => strange(one, vocabulary));
  if (typeof node !== 'object' || node === null) return [];
  const { '@type': type, ...properties } = node as Record<string, unknown>;
  if (typeof type !== 'string' || !vocabulary.knows(type)) return [`type ${String(type)}`];
  return Object.entries(properties).flatMap(([name, value]) => [
    ...(name.startsWith('@') || vocabulary.has(type, name) ? [] : [`${type}.${name}`]),
    ...strange(value, vocabulary),
  ]);
}

describe('What search engines are told', () => {
  const vocabulary = new Vocabulary();
  let api: TestApi;
  let owner: Sender;

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
  });
  afterAll(() => api.stop());

  const dataAt = async (url: string): Promise<Record<string, unknown>[]> => {
    const { forMachines } = (await owner.send('GET', `/api/page?url=${url}`)).json as DesignedPage;
    const { '@context': context, '@graph': graph } = JSON.parse(forMachines.data) as Record<string, unknown>;
    expect(context).toBe('https://schema.org');
    return graph as Record<string, unknown>[];
  };

  it('is read from a vocabulary that has what schema.org’s own pages say of Place, Course and Thing', () => {
    expect(['name', 'geo', 'openingHoursSpecification'].map((name) => vocabulary.has('Place', name))).toEqual([
      ...[true, true, true],
    ]);
    expect([vocabulary.has('Course', 'hasCourseInstance'), vocabulary.has('Place', 'hasCourseInstance')]).toEqual([
      ...[true, false],
    ]);
    expect([vocabulary.knows('LocalBusiness'), vocabulary.knows('Harbourage')]).toEqual([true, false]);
  });

  it('has no type and no property that schema.org has not', () => {
    const unknown = STRUCTURED_TYPE_NAMES.flatMap((type) =>
      structuredTypeOf(type)
        .properties.filter(({ name, within }) => {
          const known = within ? vocabulary.has(type, within.name) && vocabulary.has(within.type, name) : false;
          return !known && !(within === undefined && vocabulary.has(type, name));
        })
        .map(({ name }) => `${type}.${name}`),
    );
    expect(unknown).toEqual([]);
    expect(STRUCTURED_TYPE_NAMES.filter((type) => !vocabulary.knows(type))).toEqual([]);
  });

  it('tells of a listing, its place in the site and of lists what schema.org knows', async () => {
    const { kinds, listings } = api.assembly.services;
    const kind: Kind = (
      await kinds.add(
        null,
        makeKindDefinition({
          ...{ slug: 'courses', one: 'Course', many: 'Courses', published: true, parts: ['summary', 'place'] },
          fields: [
            { key: 'starts', label: 'Starts', type: 'date' },
            { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
            { key: 'school', label: 'School', type: 'short-text' },
          ],
        }),
      )
    ).result;
    const values = { starts: '2026-12-04', price: '120.50', school: 'Sound </script> School' };
    const place = { latitude: 1.5, longitude: 2.5, address: 'Quay 1' };
    await listings.add(null, kind.id, {
      title: 'Knots',
      status: 'live',
      summary: 'All of them',
      place,
      values,
    } as never);
    const [course, trail] = await dataAt('/courses/knots');
    expect(course).toEqual({
      ...{
        '@type': 'Course',
        '@id': '/courses/knots',
        url: '/courses/knots',
        name: 'Knots',
        description: 'All of them',
      },
      provider: { '@type': 'Organization', name: 'Sound </script> School' },
      offers: { '@type': 'Offer', price: '120.50', priceCurrency: 'EUR' },
      hasCourseInstance: {
        ...{ '@type': 'CourseInstance', startDate: '2026-12-04' },
        location: {
          ...{ '@type': 'Place', address: 'Quay 1' },
          geo: { '@type': 'GeoCoordinates', latitude: 1.5, longitude: 2.5 },
        },
      },
    });
    expect((trail?.['itemListElement'] as { name: string }[]).map(({ name }) => name)).toEqual([
      ...['My directory', 'Courses', 'Knots'],
    ]);
    const [list] = await dataAt('/courses');
    expect(list?.['@type']).toBe('ItemList');
    const [site] = await dataAt('/');
    expect(site).toEqual({ '@type': 'WebSite', name: 'My directory', url: '/' });
    for (const url of ['/courses/knots', '/courses', '/']) {
      expect(strange(await dataAt(url), vocabulary))
        .withContext(url)
        .toEqual([]);
    }
    const text = ((await owner.send('GET', '/api/page?url=/courses/knots')).json as DesignedPage).forMachines.data;
    expect(text).not.toContain('</script>');
  });

  it('is what the kind says, follows its fields, and is nothing where it says so', async () => {
    const { kinds, listings } = api.assembly.services;
    const sketch = {
      ...{ slug: 'yards', one: 'Yard', many: 'Yards', published: true },
      fields: [{ key: 'call', label: 'Call us', type: 'phone' as const }],
    };
    const { id } = (await kinds.add(null, makeKindDefinition(sketch))).result;
    await listings.add(null, id, { title: 'Slip', status: 'live', values: { call: '+351 21 000 0000' } } as never);
    const say = async (structured: object | null): Promise<number> => {
      const [{ kind }] = ((await owner.send('GET', '/api/kinds')).json as { kind: Kind }[]).filter(
        (one) => one.kind.id === id,
      ) as [{ kind: Kind }];
      return (await owner.send('PUT', `/api/kinds/${id}`, { ...kind, id: undefined, structured })).status;
    };
    expect(await say({ type: 'LocalBusiness', fields: { telephone: 'call' } })).toBe(200);
    expect((await dataAt('/yards/slip'))[0]).toEqual(
      jasmine.objectContaining({ '@type': 'LocalBusiness', telephone: '+351 21 000 0000' }),
    );
    expect(await say({ type: 'LocalBusiness', fields: { telephone: 'gone' } })).toBe(422);
    expect(await say({ type: 'LocalBusiness', fields: { colour: 'call' } })).toBe(422);
    expect(await say({ type: '', fields: {} })).toBe(200);
    expect((await dataAt('/yards/slip')).map((node) => node['@type'])).toEqual(['BreadcrumbList']);
  });
});
