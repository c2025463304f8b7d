import { nounsOf } from '../areas/area-parts.js';
import type { PieceMaker } from './piece-maker.js';

export const breadcrumb: PieceMaker<'breadcrumb'> = {
  make(_, { shown, category, page }) {
    const kind = shown?.kind ?? category?.kind;
    if (!kind?.hasIndexPage) return null;
    const { words } = page.context.formats;
    const all = words.say('breadcrumb.all', nounsOf(kind, words));
    return { type: 'breadcrumb', label: words.say('breadcrumb.label'), words: all, href: `/${kind.slug}` };
  },
};
