import type { PieceMaker } from './piece-maker.js';

export const breadcrumb: PieceMaker<'breadcrumb'> = {
  make(_, { shown }) {
    if (!shown?.kind.hasIndexPage) return null;
    const { many, slug } = shown.kind;
    return { type: 'breadcrumb', words: `All ${many.toLowerCase()}`, href: `/${slug}` };
  },
};
