import type { KeptPage, PageDesign, PagePurpose } from '@plindo/core/design';
import {
  makePage,
  makeText,
  pagesFor,
  standardCategoryPage,
  standardHome,
  standardIndexPage,
  standardListingPage,
  standardShortlist,
} from '@plindo/core/design';
import type { Design } from '@plindo/core/design';
import type { Kind, SiteSettings } from '@plindo/core/structure';
import { isListShown } from '@plindo/core/structure';
import type { SiteWords } from '@plindo/core/values';
import { firstFreeSlug } from '@plindo/core/values';

/** What a page is wanted for. */
export interface WantedPage {
  readonly serves: PagePurpose;
  readonly kind: Kind | null;
  /** The selection whose list it shows; null for none. */
  readonly selection: { readonly id: number; readonly name: string } | null;
}

/** What making a page needs beside. */
interface Around {
  readonly site: Pick<SiteSettings, 'name' | 'tagline'>;
  readonly kinds: readonly Kind[];
  readonly designs: readonly Design[];
  readonly words: SiteWords;
}

/** The page that visitors see as long as nobody has designed one, or a first sketch of one that does not exist yet. */
export function firstPage(wanted: WantedPage, around: Around): PageDesign {
  const page = plainPage(wanted, around);
  const address = page.serves === 'free' ? freeAddress(around) : page.address;
  return { ...page, address, name: freeName(page.name, wanted, around.designs) };
}

function plainPage({ serves, kind, selection }: WantedPage, { site, kinds, words }: Around): PageDesign {
  if (serves === 'home') return standardHome(site, kinds.filter(isListShown), words);
  if (serves === 'shortlist') return standardShortlist(words);
  if (serves === 'index' && selection) {
    return { ...standardIndexPage(selection.name, { intro: '' }), selection: selection.id };
  }
  if (serves === 'index' && kind) return standardIndexPage(kind.many, kind);
  if (serves === 'listing' && kind) return standardListingPage(kind);
  if (serves === 'category' && kind) {
    // Title and description are the category's own as long as nothing else is said.
    const standard = standardCategoryPage(`Categories of ${kind.many}`, { intro: '' });
    return { ...standard, title: [], description: [] };
  }
  const line = { type: 'rich-text', settings: { html: '<p>Write here.</p>' } } as const;
  const heading = {
    type: 'heading',
    settings: { text: makeText(['Heading']), level: serves === 'part' ? 2 : 1 },
  } as const;
  return makePage({
    name: serves === 'part' ? 'Part' : 'Page',
    serves,
    title: serves === 'part' ? [] : makeText(['Heading']),
    strips: [{ columns: [{ pieces: [heading, line] }] }],
  });
}

function freeName(proposed: string, { kind }: WantedPage, designs: readonly Design[]): string {
  const taken = designs
    .filter(({ type, kindId }) => type === 'page' && kindId === (kind?.id ?? null))
    .map(({ definition }) => definition.name);
  let [name, number] = [proposed, 2];
  while (taken.includes(name)) name = `${proposed} ${number++}`;
  return name;
}

function freeAddress({ designs, kinds }: Around): string {
  const pages = designs.filter((design): design is KeptPage => design.type === 'page');
  const taken = new Set([...pages.map(({ definition }) => definition.address), ...kinds.map(({ slug }) => slug)]);
  return firstFreeSlug('page', (candidate) => taken.has(candidate));
}

/** The page that a wanted one is already, where there can be one only. */
export function keptPageFor({ serves, kind, selection }: WantedPage, designs: readonly Design[]): KeptPage | undefined {
  if (serves === 'home' || serves === 'shortlist') return pagesFor(serves, null, designs)[0];
  if (serves !== 'index') return undefined;
  const pages = pagesFor('index', selection ? null : (kind?.id ?? null), designs);
  return pages.find(({ definition }) => definition.selection === (selection?.id ?? 0));
}
