import { formsOf } from '../../design/index.js';
import { formModel } from '../forms/form-piece.js';
import type { PieceMaker } from './piece-maker.js';

export const form: PieceMaker<'form'> = {
  make({ of }, { page, queries, canonical, sending }) {
    const kept = formsOf(page.designs).find(({ id }) => id === of);
    const kind = kept && page.kindById(kept.kindId ?? 0);
    return kept && kind ? formModel(kept, kind, { page, queries, path: canonical, sending }) : null;
  },
};
