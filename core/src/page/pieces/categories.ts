import { makeSlot } from '../../design/index.js';
import { BLANK_QUERY, addressOfQuery, countQuery, kindsOf, listOfKind, runQuery } from '../../query/index.js';
import { fieldByKey } from '../../structure/index.js';
import { categoryPath } from '../areas/category-list.js';
import { facetModels } from '../facets/facet-models.js';
import { choiceOf } from '../facets/values-facet.js';
import type { PieceMaker } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

export const categories: PieceMaker<'categories'> = {
  kinds: ({ of }) => [of],
  make({ of, facet: key, layout, counts, heading }, making) {
    const { queries } = making;
    const catalog = queries?.catalogOf(of);
    const facet = catalog?.kind.facets.find((one) => one.key === key);
    if (!queries || !catalog || !facet) return null;
    const list = listOfKind(catalog);
    // Nothing but this facet, and no listing, has to be worked out.
    const design = { ...list.design, facets: [{ ...facet, dependsOn: null }], pageSize: 1 };
    const found = runQuery({ ...list, design }, BLANK_QUERY, queries);
    const [model] = facetModels({
      ...{ design, query: BLANK_QUERY, counts: found.counts, scene: queries },
      hrefOf: (query) => addressOfQuery(query, list.design, kindsOf(queries)),
      countOf: (query) => countQuery(list, query, queries),
    });
    if (!model || !('values' in model)) return null;
    const field = facet.through.length === 0 ? fieldByKey(catalog.kind, facet.field) : undefined;
    const shown = model.values.filter(({ count, depth }) => count > 0 && (layout === 'tree' || depth === 0));
    const [words] = shownSlots([makeSlot({ key: 'heading', text: heading })], making);
    const entries = shown.map(({ value, label, href: facetHref, count, depth, icon, colour }) => {
      const choice = field && choiceOf(value, field);
      const picture = choice?.picture ?? null;
      // A listing with such an address goes first.
      const hasPage = field?.type === 'categories' && catalog.idOfAddress(value) === undefined;
      const href = choice && hasPage && catalog.kind.hasIndexPage ? categoryPath(catalog.kind, choice) : facetHref;
      return { label, href, count: counts ? count : null, depth, icon, colour, picture };
    });
    return entries.length > 0 ? { type: 'categories', layout, heading: words?.value.text ?? '', entries } : null;
  },
};
