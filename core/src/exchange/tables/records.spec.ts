import type { FileTable } from './file-table.js';
import { openText } from './open-file.js';

function tableOf(text: string): { format: string; table: FileTable } {
  const read = openText(text);
  if (!read.ok) throw new Error(read.issue.message);
  const [{ table }] = read.value.tables;
  if (!table.ok) throw new Error(table.issue.message);
  return { format: read.value.format, table: table.value };
}
const complaint = (text: string): string => {
  const read = openText(text);
  return read.ok ? 'read' : read.issue.message;
};

describe('Records', () => {
  it('in a list are rows, with a column for every key', () => {
    const { format, table } = tableOf('[{"name":"A","size":1.5},{"name":"B","open":true,"tags":["x","y"]}]');
    expect(format).toBe('JSON');
    expect(table.headers).toEqual(['name', 'size', 'open', 'tags']);
    expect(table.rows).toEqual([
      ['A', '1.5', '', ''],
      ['B', '', 'yes', 'x; y'],
    ]);
    expect(table.typed).toEqual([false, true, true, false]);
  });

  it('may stand inside of an object, and records inside of records', () => {
    const { table } = tableOf('{"count":2,"data":[{"name":"A","address":{"city":"Bex","zip":"02134"}},{"name":"B"}]}');
    expect(table.headers).toEqual(['name', 'address']);
    expect(table.rows).toEqual([
      ['A', '{"city":"Bex","zip":"02134"}'],
      ['B', ''],
    ]);
  });

  it('have places, amounts and lists as people write them, and what lies deeper as a text', () => {
    const { table } = tableOf(
      '[{"at":{"lat":51.5,"lng":-3},"price":{"amount":12.5,"currency":"EUR"},"hours":[{"onDays":["Mo","Tu"],"from":{"h":9}}]}]',
    );
    expect(table.headers).toEqual(['at lat', 'at lng', 'price', 'hours']);
    expect(table.rows[0]).toEqual(['51.5', '-3', '12.5 EUR', '[{"ondays":"Mo; Tu","from":"{\\"h\\":9}"}]']);
  });

  it('may stand one on each line', () => {
    const { format, table } = tableOf('{"name":"A","n":1}\n\n{"name":"B","n":2}\n');
    expect([format, table.rows.length, table.lines]).toEqual(['NDJSON', 2, [1, 3]]);
    expect(complaint('{"name":"A"}\n{"name":\n')).toContain('line 2 is no record');
  });

  it('of GeoJSON have the places of their points, longitude first', () => {
    // The example of RFC 7946, section 1.5, cut to its point and its line.
    const text = `{"type":"FeatureCollection","features":[
      {"type":"Feature","geometry":{"type":"Point","coordinates":[102.0,0.5]},"properties":{"prop0":"value0"}},
      {"type":"Feature","geometry":{"type":"LineString","coordinates":[[102.0,0.0],[103.0,1.0]]},"properties":{"prop0":"value0","prop1":0.0}}]}`;
    const { format, table } = tableOf(text);
    expect(format).toBe('GeoJSON');
    expect(table.headers).toEqual(['prop0', 'latitude', 'longitude', 'prop1']);
    expect(table.rows).toEqual([
      ['value0', '0.5', '102', ''],
      ['value0', '', '', '0'],
    ]);
  });

  it('that are none are refused with where', () => {
    expect(complaint('[{"a":1},')).toContain('The file could not be read as records:');
    expect(complaint('[1,2,3]')).toContain('it holds no list of records');
    expect(complaint('[]')).toContain('nothing below it');
  });
});
