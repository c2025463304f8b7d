import type { Design, KeptPage, PagePurpose } from '@plindo/core/design';
import { isPart } from '@plindo/core/design';
import type { Kind, Selection } from '@plindo/core/structure';
import type { SiteWords } from '@plindo/core/values';
import { SELECTIONS_SLUG, SHORTLIST_SLUG, isKindShown } from '@plindo/core/structure';

/** What the address of the designer says of a page that nobody has designed yet. */
export interface NewPageQuery {
  readonly serves: PagePurpose;
  readonly kind?: number;
  readonly selection?: number;
}

/** One page of the site: designed, or made by Plindo as long as nobody has designed it. */
export interface PageRow {
  readonly name: string;
  readonly about: string;
  /** Where visitors find it; '' for pages of many addresses, and for those that nobody sees. */
  readonly href: string;
  readonly kept: KeptPage | null;
  readonly query: NewPageQuery;
}

export interface PageSection {
  readonly label: string;
  readonly rows: readonly PageRow[];
  /** Number of the kind whose listings have pages; left out for none. */
  readonly serving?: number;
  /** What can be added to it. */
  readonly add: readonly { readonly label: string; readonly query: NewPageQuery }[];
}

interface Known {
  readonly words: SiteWords;
  readonly kinds: readonly Kind[];
  readonly selections: readonly Selection[];
  readonly designs: readonly Design[];
}

/** All pages of a site, by what they are for. */
export function pageSections({ kinds, selections, designs, words }: Known): PageSection[] {
  const pages = designs.filter((design): design is KeptPage => design.type === 'page');
  const found = (serves: PagePurpose, kindId: number | null, selection = 0): KeptPage[] =>
    pages
      .filter(({ definition, ...page }) => {
        return definition.serves === serves && page.kindId === kindId && definition.selection === selection;
      })
      .sort((a, b) => a.position - b.position);
  const free = found('free', null);
  const ofSelections = selections.filter(({ published }) => published);
  return [
    {
      label: 'Of the site',
      rows: [
        ...rowsOf({ serves: 'home' }, 'Home page', '/', found('home', null)),
        ...rowsOf({ serves: 'shortlist' }, 'Shortlist', `/${SHORTLIST_SLUG}`, found('shortlist', null)),
      ],
      add: [],
    },
    ...kinds.filter(({ putAside }) => !putAside).map((kind) => sectionOfKind(kind, found, words)),
    ...(ofSelections.length === 0
      ? []
      : [
          {
            label: 'Of selections',
            rows: ofSelections.flatMap(({ id, name, slug }) => {
              const query = { serves: 'index', selection: id } as const;
              return rowsOf(query, name, `/${SELECTIONS_SLUG}/${slug}`, found('index', null, id));
            }),
            add: [],
          },
        ]),
    {
      label: 'With addresses of their own',
      rows: free.map((page) => keptRow(page, '', `/${page.definition.address}`, { serves: 'free' })),
      add: [{ label: 'Add a page', query: { serves: 'free' } }],
    },
    {
      label: 'Parts that stand on many pages',
      rows: pages.filter(isPart).map((page) => {
        const kind = kinds.find(({ id }) => id === page.kindId);
        return keptRow(page, kind ? `shows values of ${words.inSentence(kind.many)}` : '', '', { serves: 'part' });
      }),
      add: [{ label: 'Add a part', query: { serves: 'part' } }],
    },
  ];
}

function sectionOfKind(
  kind: Kind,
  found: (serves: PagePurpose, kindId: number | null) => KeptPage[],
  words: SiteWords,
): PageSection {
  const { id, slug } = kind;
  const [many, one] = [words.inSentence(kind.many), words.inSentence(kind.one)];
  const hasCategories = kind.fields.some(({ type }) => type === 'categories');
  const href = isKindShown(kind) ? `/${slug}` : '';
  const listing = { serves: 'listing', kind: id } as const;
  const category = { serves: 'category', kind: id } as const;
  return {
    label: kind.many,
    ...(kind.hasListingPages && { serving: id }),
    rows: [
      ...(kind.hasIndexPage ? rowsOf({ serves: 'index', kind: id }, `List of ${many}`, href, found('index', id)) : []),
      ...(kind.hasListingPages ? rowsOf(listing, `Page of each ${one}`, '', found('listing', id)) : []),
      ...(hasCategories && kind.hasIndexPage
        ? rowsOf(category, `Categories of ${many}`, '', found('category', id))
        : []),
    ],
    add: [
      ...(kind.hasListingPages ? [{ label: 'Add a page for some of them', query: listing }] : []),
      ...(hasCategories ? [{ label: 'Add a page for some categories', query: category }] : []),
      { label: 'Add a part that shows their values', query: { serves: 'part', kind: id } },
    ],
  };
}

/** The pages that were designed for something, or the one that Plindo makes. */
function rowsOf(query: NewPageQuery, name: string, href: string, kept: readonly KeptPage[]): PageRow[] {
  if (kept.length === 0) return [{ name, about: 'made by Plindo', href, kept: null, query }];
  return kept.map((page) => {
    const isForSome = page.definition.when !== null || page.definition.categories.length > 0;
    return keptRow(page, isForSome ? `${name}, for some` : name, href, query);
  });
}

function keptRow(kept: KeptPage, about: string, href: string, query: NewPageQuery): PageRow {
  return { name: kept.definition.name, about, href, kept, query };
}
