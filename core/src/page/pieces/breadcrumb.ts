import type { PieceMaker } from './piece-maker.js';

export const breadcrumb: PieceMaker<'breadcrumb'> = {
  make(_, { shown, category }) {
    const kind = shown?.kind ?? category?.kind;
    if (!kind?.hasIndexPage) return null;
    const { many, slug } = kind;
    return { type: 'breadcrumb', words: `All ${many.toLowerCase()}`, href: `/${slug}` };
  },
};
