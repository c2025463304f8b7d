import type { DryRun, ImportPlan } from '@plindo/core/exchange';
import { withColumnUse } from '@plindo/core/exchange';
import type { DesignedPage } from '@plindo/core/page';
import { listOnPage } from '../../../../../../core/testing/list-on-page';
import { ImportDesk } from './import-desk';
import type { Ask, FileFacts, RowWithPictures } from './import-protocol';
import { zipSync, strToU8 } from 'fflate';
import { pluralOf } from '../../shared/plural';

const CSV = `name,seats\n${Array.from({ length: 1200 }, (_, at) => `Boat ${at},${at % 9}`).join('\n')}\n,4\n`;

describe('The import desk in the worker', () => {
  const ask = async <T>(desk: ImportDesk, question: Ask): Promise<T> => {
    const answer = await desk.answer(1, question);
    if ('issue' in answer) throw new Error(answer.issue.message);
    return answer.result as T;
  };
  const read = (desk: ImportDesk, text: string): Promise<FileFacts> =>
    ask(desk, {
      do: 'read',
      file: new File([text], 'boats.csv'),
      scene: { locale: 'en-GB', zone: 'UTC', nowInMs: 0 },
      kind: null,
    });

  it('reads a file, checks a plan over all of it, and hands out its rows in batches', async () => {
    const desk = new ImportDesk();
    const facts = await read(desk, CSV);
    expect([facts.rows, facts.firstRows.length, facts.format]).toEqual([1201, 5, 'CSV, UTF-8']);
    const check = await ask<DryRun>(desk, { do: 'check', plan: facts.plan, policy: 'refuse-row' });
    expect([check.coming, check.refused]).toEqual([1200, 1]);
    const sizes: number[] = [];
    for (let offset = 0; offset < facts.rows; offset += sizes.at(-1)!) {
      const rows = await ask<RowWithPictures[]>(desk, {
        do: 'rows',
        plan: facts.plan,
        status: 'live',
        offset,
        most: 500,
      });
      sizes.push(rows.length);
    }
    expect(sizes).toEqual([500, 500, 201]);
    expect(await ask<string>(desk, { do: 'refused', rows: check.refusedRows })).toBe('name,seats\r\n,4');
  });

  it('follows a person who knows better', async () => {
    const desk = new ImportDesk();
    const { plan } = await read(desk, CSV);
    const asText = withColumnUse(plan, 1, { use: 'title' });
    expect(asText.columns.map(({ use }) => use)).toEqual(['field', 'title']);
    expect(asText.fields.map(({ key, type }) => [key, type])).toEqual([['name', 'short-text']]);
    const check = await ask<DryRun>(desk, { do: 'check', plan: asText, policy: 'refuse-row' });
    expect(check.coming).toBe(1201);
  });

  it('shows the page that the rows will make, for a plan and then for another', async () => {
    const desk = new ImportDesk();
    const { plan } = await read(desk, CSV);
    const site = { name: 'Boats', tagline: '', locale: 'en-GB', zone: 'UTC' };
    const totalOf = async (policy: 'refuse-row' | 'leave-empty', of: ImportPlan, search: string): Promise<number> => {
      const planned = { plan: of, policy, kind: { one: 'Boat', many: 'Boats', slug: 'boats', fields: of.fields } };
      return listOnPage(await ask<DesignedPage>(desk, { do: 'page', planned, site, search })).total;
    };
    expect(await totalOf('refuse-row', plan, '')).toBe(1200);
    expect(await totalOf('refuse-row', plan, 'q=Boat+7')).toBeGreaterThan(0);
    expect(await totalOf('refuse-row', withColumnUse(plan, 1, { use: 'title' }), '')).toBe(1201);
  });

  it('reads a zip with pictures: the column that names them becomes pictures, and each is handed out', async () => {
    const csv = 'name,photo,seats\nA,a.JPG,3\nB,photos/b.png,4\nC,lost.png,5\n';
    const zip = zipSync({
      'boats/boats.csv': strToU8(csv),
      'boats/A.jpg': strToU8('one'),
      'boats/photos/b.png': strToU8('two'),
    });
    const desk = new ImportDesk();
    const file = new File([zip as BlobPart], 'boats.zip');
    const scene = { locale: 'en-GB', zone: 'UTC', nowInMs: 0 };
    const { plan, rows } = await ask<FileFacts>(desk, { do: 'read', file, scene, kind: null });
    expect(rows).toBe(3);
    expect(plan.columns[1]!.reason).toBe('2 of 3 different values name pictures in the zip.');
    expect(plan.fields.map(({ key, type }) => [key, type])).toEqual([
      ['photo', 'picture'],
      ['seats', 'whole-number'],
    ]);
    const check = await ask<DryRun>(desk, { do: 'check', plan, policy: 'refuse-row' });
    expect([check.coming, check.refused]).toEqual([3, 0]);
    const found = await ask<RowWithPictures[]>(desk, { do: 'rows', plan, status: 'live', offset: 0, most: 9 });
    expect(found.map(({ pictures }) => pictures.map(({ name }) => name))).toEqual([
      ['a.JPG'],
      ['photos/b.png'],
      ['lost.png'],
    ]);
    expect(found[0]!.row.input.values).toEqual({ seats: 3 });
    const picture = await ask<Uint8Array>(desk, { do: 'picture', name: 'a.JPG' });
    expect(new TextDecoder().decode(picture)).toBe('one');
    expect(await ask<null>(desk, { do: 'picture', name: 'lost.png' })).toBeNull();
  });

  it('takes addresses of pictures for pictures', async () => {
    const addresses = Array.from({ length: 4 }, (_, at) => `Boat ${at},https://example.org/photos/${at}.jpg?w=800`);
    const { plan } = await read(new ImportDesk(), `name,photo\n${addresses.join('\n')}`);
    expect(plan.fields.map(({ type }) => type)).toEqual(['picture']);
  });

  it('says what is wrong with a file', async () => {
    const answer = await new ImportDesk().answer(7, {
      do: 'read',
      file: new File(['a,b\n"x,1\n'], 'x.csv'),
      scene: { locale: 'en', zone: 'UTC', nowInMs: 0 },
      kind: null,
    });
    expect('issue' in answer && [answer.id, answer.issue.code, answer.issue.line]).toEqual([7, 'file.quote', 2]);
  });
});

describe('The plural of a name', () => {
  it('is made in English, by rule and by what is irregular, and typed in other languages', () => {
    const all = ['Place', 'My company', 'Person', 'Harbour master', 'Staff', 'Child', 'Bus', ' '];
    expect(all.map((one) => pluralOf(one, 'en-GB'))).toEqual([
      ...['Places', 'My companies', 'People', 'Harbour masters', 'Staff', 'Children', 'Buses', ''],
    ]);
    expect(pluralOf('Ort', 'de-DE')).toBe('');
  });
});
