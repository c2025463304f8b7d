import type { PieceMaker } from './piece-maker.js';

export const facets: PieceMaker<'facets'> = {
  make({ area, only }, { areaNamed }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, parts } = found;
    const all = parts.facets();
    const shown = only.length === 0 ? all : only.flatMap((key) => all.find((facet) => facet.key === key) ?? []);
    if (shown.length === 0) return null;
    const { total, chips, clearHref } = parts;
    return { type: 'facets', area, form, facets: shown, total, chosen: chips.length, clearHref };
  },
};
