import { makeKind } from '../../testing/builders.js';
import type { Field, Kind } from '../structure/index.js';
import { makeField } from '../structure/index.js';
import { firstDesigns } from './index.js';

const field = (key: string, type: Field['type']): Field => makeField({ key, label: key, type });
const made = (one: string, many: string, fields: readonly Field[]): (string | undefined)[][] => {
  const kind: Kind = { ...makeKind(fields, { parts: ['summary'] }), one, many };
  return firstDesigns(kind).map(({ type, definition }) => [
    ...[type, definition.name, 'serves' in definition ? definition.serves : undefined],
  ]);
};

describe('The designs of a kind that comes from a file', () => {
  it('are the card and pages that fit it, those of lists only where its name says so', () => {
    expect(made('Course', 'Courses', [field('begins', 'date'), field('fee', 'money')])).toEqual([
      ['card', 'Course card', undefined],
      ['page', 'Course page', 'listing'],
      ['page', 'Courses', 'index'],
    ]);
    expect(made('Airport', 'Airports', [field('at', 'place')]).map(([, , serves]) => serves)).not.toContain('index');
  });

  it('are none for a kind of which nothing can be told', () => {
    expect(made('Idea', 'Ideas', [])).toEqual([]);
  });
});
