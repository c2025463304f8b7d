import { numberFrom } from '../settings/setting.js';
import type { PieceChoices } from './piece-type.js';
import { pieceType } from './piece-type.js';

export const part = pieceType({
  label: 'Part',
  icon: 'view_agenda',
  purpose: 'Strips that are designed once and stand on many pages',
  /** Number of the part. */
  form: { of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0) },
  controls: {
    of: { as: 'choice', label: 'Which part', options: (scene) => usableParts(scene).map(asOption) },
  },
  begin(scene) {
    if (scene.serves === 'part') return { lacks: 'a page: a part cannot hold another one' };
    const [first] = usableParts(scene);
    return first ? { settings: { of: first.id } } : { lacks: 'a part, which is made under Pages' };
  },
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

/** The parts that show nothing of listings of another kind than the page's. */
function usableParts({ parts, kind }: PieceChoices): PieceChoices['parts'] {
  return parts.filter(({ kindId }) => kindId === null || kindId === kind?.id);
}

function asOption({ id, name }: { readonly id: number; readonly name: string }): { key: number; label: string } {
  return { key: id, label: name };
}
