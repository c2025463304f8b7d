import type { Kind } from '../structure/index.js';
import { isListShown } from '../structure/index.js';
import type { Design, KeptForm, KeptPage } from './design.js';
import { cardsOfKind, formsOf, frameOf, isPage, isPart, looksOf, pagesFor, wholePage } from './design.js';
import type { Around } from './designs-on-page.js';
import type { PageDesign } from './pages/page-design.js';
import { piecesOfPage, steeredLists } from './pages/page-design.js';
import { standardIndexPage } from './pages/standard-pages.js';
import { usesOfMainCard } from './used-on.js';

/** Something that was designed or set up for visitors, and where they meet it. */
export interface UsedThing {
  readonly what: 'card' | 'page' | 'part' | 'look' | 'form' | 'facet';
  readonly name: string;
  /** Number of the kind that it is of; null for what is of the whole site. */
  readonly kindId: number | null;
  /** Number of the design; null for a facet. */
  readonly designId: number | null;
  /** Where visitors meet it, in words; none for what they meet nowhere. */
  readonly uses: readonly string[];
}

/** Which designs and facets visitors meet where; those that they meet nowhere have no uses. */
export function usesOfDesigns(around: Around): UsedThing[] {
  const { designs, kinds } = around;
  const pages = designs.filter(isPage);
  return [
    ...kinds.flatMap((kind) => cardUses(kind, around)),
    ...pages.map((page) => (isPart(page) ? partUse(page, pages) : pageUse(page, around))),
    ...looksOf(designs).map((look, at) => ({
      ...{ what: 'look' as const, name: look.definition.name, kindId: null, designId: look.id },
      uses: at === 0 ? ['all pages'] : [],
    })),
    ...formsOf(designs).map((form) => formUse(form, designs)),
    ...kinds.filter(isListShown).flatMap((kind) => facetUses(kind, around)),
  ];
}

function cardUses(kind: Kind, { designs, selections, kindById }: Around): UsedThing[] {
  return cardsOfKind(kind.id, designs).map(({ id, definition: { name } }, at) => ({
    ...{ what: 'card', name, kindId: kind.id, designId: id },
    uses: at === 0 ? usesOfMainCard(kind, designs, selections, kindById).map(({ label }) => label) : [],
  }));
}

function partUse(part: KeptPage, pages: readonly KeptPage[]): UsedThing {
  const holds = ({ definition }: KeptPage): boolean =>
    piecesOfPage(definition).some(({ type, settings }) => type === 'part' && settings.of === part.id);
  const uses = pages.filter(holds).map(({ definition: { name } }) => name);
  return { what: 'part', name: part.definition.name, kindId: part.kindId, designId: part.id, uses };
}

/** The pages on which a form of visitors stands, also by a part that they embed. */
export function pagesWithForm(form: number, designs: readonly Design[]): KeptPage[] {
  const pages = designs.filter(isPage);
  return pages.filter((page) =>
    piecesOfPage(wholePage(page, designs).definition).some(
      ({ type, settings }) => type === 'form' && settings.of === form,
    ),
  );
}

function formUse(form: KeptForm, designs: readonly Design[]): UsedThing {
  const uses = pagesWithForm(form.id, designs).map(({ definition: { name } }) => name);
  return { what: 'form', name: form.definition.name, kindId: form.kindId, designId: form.id, uses };
}

function pageUse(page: KeptPage, around: Around): UsedThing {
  const { id, kindId, definition } = page;
  return { what: 'page', name: definition.name, kindId, designId: id, uses: placesOfPage(page, around) };
}

/** Of the home page, and of the page of a list, the first one counts. */
function placesOfPage(page: KeptPage, { designs, kinds, selections }: Around): string[] {
  const { id, kindId, definition } = page;
  const kind = kinds.find((one) => one.id === kindId);
  const { serves } = definition;
  if (serves === 'free') return waysTo(definition, designs);
  if (serves === 'listing') return kind?.hasListingPages ? [`${kind.many}, each of them it fits`] : [];
  if (serves === 'category') return kind?.hasIndexPage ? [`categories of ${kind.many}`] : [];
  const alike = pagesFor(serves, kindId, designs).filter((one) => one.definition.selection === definition.selection);
  if (alike[0]?.id !== id) return [];
  if (serves === 'home') return ['home page'];
  if (serves === 'shortlist') return ['shortlist'];
  const selection = selections.find((one) => one.id === definition.selection);
  if (selection) return selection.published ? [selection.name] : [];
  return kind && isListShown(kind) ? [kind.many] : [];
}

/** What leads to a page with an address of its own: the menu, header and footer, buttons. */
function waysTo({ address, inMenu }: PageDesign, designs: readonly Design[]): string[] {
  const path = `/${address}`;
  const frame = frameOf(designs)?.definition;
  const links = frame
    ? [
        ...(frame.hasOwnMenu ? frame.menu.flatMap(({ below, ...one }) => [one, ...below]) : []),
        ...frame.columns.flatMap((column) => column.links),
      ]
    : [];
  const pages = designs.filter(isPage);
  const leading = pages.filter(({ definition }) =>
    piecesOfPage(definition).some(
      ({ type, settings }) => type === 'buttons' && settings.buttons.some((button) => button.address === path),
    ),
  );
  return [
    ...(inMenu && !frame?.hasOwnMenu ? ['the menu'] : []),
    ...(links.some((link) => link.address === path) ? ['header or footer'] : []),
    ...leading.map(({ definition: { name } }) => `a button on ${name}`),
  ];
}

function facetUses(kind: Kind, around: Around): UsedThing[] {
  const pages = pagesWithList(kind, around);
  return kind.facets.map(({ key, label }) => ({
    ...{ what: 'facet', name: label, kindId: kind.id, designId: null },
    uses: pages.filter(({ shows }) => shows(key)).map(({ name }) => name),
  }));
}

/** The pages on which visitors can steer the list of a kind, with which of its facets each shows. */
function pagesWithList(kind: Kind, { designs }: Around): { name: string; shows: (facet: string) => boolean }[] {
  const [index] = pagesFor('index', kind.id, designs);
  const own = index?.definition ?? standardIndexPage(kind.many, kind);
  const all = [
    own,
    ...pagesFor('category', kind.id, designs).map(({ definition }) => definition),
    ...designs
      .filter(isPage)
      .filter(({ kindId }) => kindId === null)
      .map((page) => wholePage(page, designs).definition),
  ];
  return all.flatMap((page) => {
    const lists = steeredLists(page).filter(({ settings: { from, of } }) =>
      from === 'page' ? page.serves === 'index' || page.serves === 'category' : from === 'kind' && of === kind.id,
    );
    const areas = new Set(
      lists
        .filter(({ settings }) => settings.from !== 'page' || page.selection === 0)
        .map(({ settings }) => settings.name),
    );
    const shown = piecesOfPage(page).filter((piece) => piece.type === 'facets' && areas.has(piece.settings.area));
    if (shown.length === 0) return [];
    const shows = (facet: string): boolean =>
      shown.some(
        ({ type, settings }) => type === 'facets' && (settings.only.length === 0 || settings.only.includes(facet)),
      );
    return [{ name: page.name, shows }];
  });
}
