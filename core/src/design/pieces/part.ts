import { numberFrom } from '../settings/setting.js';
import { pieceType } from './piece-type.js';

export const part = pieceType({
  label: 'Part',
  icon: 'view_agenda',
  purpose: 'Strips that are designed once and stand on many pages',
  /** Number of the part. */
  form: { of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0) },
  faults({ of }, { partOf, serves, kind }) {
    const found = partOf(of);
    if (serves === 'part') return ['a part cannot hold another one.'];
    if (!found) return ['the part is not there any more.'];
    const { kindId, name } = found;
    if (kindId === null || kindId === kind?.id) return [];
    return [`“${name}” shows values of listings of another kind than this page.`];
  },
  withNumbers: ({ of }, numbers) => ({ of: numbers.part(of) }),
});
