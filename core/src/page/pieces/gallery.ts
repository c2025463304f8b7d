import { picturesOf } from './pictures-of.js';
import type { PieceMaker } from './piece-maker.js';

export const gallery: PieceMaker<'gallery'> = {
  make({ fields }, { shown }) {
    const pictures = picturesOf(fields, shown);
    return pictures.length > 0 ? { type: 'gallery', pictures } : null;
  },
};
