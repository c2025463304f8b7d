import { pagesFor, standardIndexPage } from '../../design/index.js';
import type { PageDesign } from '../../design/index.js';
import type { NamedList, PageAddress } from '../areas/list-area.js';
import { addressOfAreas, areasOfPage } from '../areas/list-area.js';
import type { PageScene } from '../frame.js';
import type { DesignedPage } from '../page-model.js';
import type { DesignedSource, PageSubject } from './designed-page.js';
import { shortlistAddress } from '../visitor/chosen-listings.js';
import { designedPage } from './designed-page.js';

/** A page by its design in the state of an address: with the lists that visitors steer on it, under its one address. */
export function pageAt(
  scene: PageScene,
  design: PageDesign,
  address: PageAddress,
  about: Omit<PageSubject, 'areas' | 'canonical'>,
  source: DesignedSource,
): Promise<DesignedPage> {
  const areas = areasOfPage(design, address, source);
  const path = about.chosen && design.serves === 'shortlist' ? shortlistAddress(about.chosen) : address.path;
  const canonical = addressOfAreas(path, areas, scene.kindById);
  return designedPage(scene, design, { ...about, canonical, areas }, source);
}

/** The page of the list of a kind: the one that was designed, else the standard one. */
export function indexPage(
  scene: PageScene,
  own: NamedList,
  search: string,
  source: DesignedSource,
): Promise<DesignedPage> {
  const { design, parts } = own.list;
  const { path } = design;
  const [kept] = pagesFor('index', parts[0]?.catalog.kind.id ?? null, scene.designs);
  const page = kept?.definition ?? standardIndexPage(own.heading, design);
  return pageAt(scene, page, { path, search, own }, { listing: null, kind: null }, source);
}
