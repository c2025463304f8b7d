import type { Design, FooterColumn, FrameDesign } from '../design/index.js';
import { pagesFor } from '../design/index.js';
import type { Kind, KindById } from '../structure/index.js';
import { SHORTLIST_SLUG, cleanHtml, isListShown } from '../structure/index.js';
import type { SiteWords } from '../values/index.js';
import type { FooterModel, HeaderModel, PageLink } from './frame-model.js';

/** What the menu has by itself: the lists of the kinds that visitors see, and the pages that stand in it. */
export function linksOfSite(kinds: readonly Kind[], designs: readonly Design[]): PageLink[] {
  const ofKinds = kinds.map((kind) => ({ label: kind.many, href: `/${kind.slug}` }));
  const free = pagesFor('free', null, designs).filter(({ definition }) => definition.inMenu);
  return [...ofKinds, ...free.map(({ definition: { name, address } }) => ({ label: name, href: `/${address}` }))];
}

/** What stands around every page of a site. */
export interface SiteAround {
  readonly header: HeaderModel;
  readonly footer: FooterModel | null;
}

/** Header and footer of a site; `links` are those that the menu has by itself. */
export function siteFrame(
  frame: FrameDesign | undefined,
  links: readonly PageLink[],
  { kindById, words }: { readonly kindById: KindById; readonly words: SiteWords },
): SiteAround {
  const plain = links.map((link) => ({ ...link, below: [] }));
  if (!frame) return { header: { logo: null, menu: plain, search: null, shortlist: null }, footer: null };
  const own = frame.menu.map(({ words, address, below }) => ({
    ...{ label: words, href: address },
    below: below.map(linkOf),
  }));
  const kind = kindById(frame.searchIn);
  const header = {
    logo: frame.brand === 'logo' ? frame.logo : null,
    menu: frame.hasOwnMenu ? own : plain,
    search: kind && isListShown(kind) ? searchLink(kind, words) : null,
    shortlist: frame.hasShortlist ? { label: words.say('shortlist.title'), href: `/${SHORTLIST_SLUG}` } : null,
  };
  const columns = frame.columns.map(columnModel);
  return { header, footer: columns.length > 0 || frame.line !== '' ? { columns, line: frame.line } : null };
}

/** Where a search for listings of a kind leads, and what it is called. */
export function searchLink({ many, slug }: Pick<Kind, 'many' | 'slug'>, words: SiteWords): PageLink {
  return { label: words.say('search.label', { many: words.inSentence(many) }), href: `/${slug}` };
}

function columnModel({ heading, html, links }: FooterColumn): FooterModel['columns'][number] {
  return { heading, html: cleanHtml(html), links: links.map(linkOf) };
}

function linkOf({ words, address }: { readonly words: string; readonly address: string }): PageLink {
  return { label: words, href: address };
}
