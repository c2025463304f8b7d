import type { KeptPage } from '../design/index.js';
import type { PageScene } from './frame.js';
import type { PageLink } from './frame-model.js';
import type { DesignedPage, ForMachines, StripModel } from './page-model.js';
import type { CardModel } from './cards/card-model.js';
import type { ShownListing } from './cards/reached-values.js';
import { listingPath } from './cards/slot-value.js';
import type { CategoryOfPage } from './pieces/piece-maker.js';
import type { ListModel, PieceModel } from './pieces/piece-models.js';
import type { StructuredNode } from './structured-data.js';
import {
  structuredList,
  structuredListing,
  structuredSite,
  structuredText,
  structuredTrail,
} from './structured-data.js';

/** What a page is about, as far as machines are told of it. */
interface About {
  readonly serves: KeptPage['definition']['serves'];
  readonly shown: ShownListing | null;
  readonly category: CategoryOfPage | null;
  readonly title: string;
  readonly canonical: string;
}

/** What search engines and those who hand a page on are told of it, beside what people see. */
export function forMachines({ site }: PageScene, strips: DesignedPage['strips'], about: About): ForMachines {
  const { shown, category, serves, title, canonical } = about;
  const origin = site.address ?? '';
  const kind = shown?.kind ?? category?.kind;
  const trail: PageLink[] = [
    { label: site.name, href: '/' },
    ...(kind?.hasIndexPage ? [{ label: kind.many, href: `/${kind.slug}` }] : []),
    ...(shown ? [{ label: shown.listing.title, href: listingPath(shown.kind, shown.listing) }] : []),
    ...(category || serves === 'index' ? [{ label: title, href: canonical }] : []),
  ];
  const nodes: (StructuredNode | null)[] = [
    serves === 'home' ? structuredSite(site, origin) : null,
    shown ? structuredListing(shown, origin) : null,
    serves === 'index' || serves === 'category' ? structuredList(linksOfLists(strips), origin) : null,
    kind || serves === 'index' ? structuredTrail(trail, origin) : null,
  ];
  const picture = shown?.listing.picture ?? strips.find((strip) => strip.picture)?.picture;
  return {
    data: structuredText(nodes.filter((node) => node !== null)),
    // Whoever shows a page elsewhere wants whole addresses.
    picture: picture && origin !== '' ? `${origin}/pictures/${picture.hash}-1600.jpeg` : '',
  };
}

/** The listings of the lists that visitors steer, each once, as far as they have pages. */
function linksOfLists(strips: readonly StripModel[]): PageLink[] {
  const pieces = strips.flatMap(({ columns }) => columns.flatMap((column): readonly PieceModel[] => column.pieces));
  const cards = pieces.flatMap((piece) => (piece.type === 'list' && piece.state ? cardsOf(piece) : []));
  const byAddress = new Map(cards.flatMap(({ title, href }) => (href === null ? [] : [[href, title] as const])));
  return [...byAddress].map(([href, label]) => ({ label, href }));
}

function cardsOf({ cards, rows, columns: [first], state }: ListModel): readonly Pick<CardModel, 'title' | 'href'>[] {
  // Of a table the first column says what a row is.
  const ofTable = rows.map(({ href, values }) => ({ href, title: values[first?.key ?? '']?.text ?? '' }));
  return [...(state?.featured ?? []), ...(state?.groups ?? []).flatMap((group) => group.cards), ...cards, ...ofTable];
}
