import { standardIndexPage } from '../../design/index.js';
import type { PageDesign } from '../../design/index.js';
import type { NamedList, ListArea } from '../areas/list-area.js';
import { addressOfAreas, areasOfPage } from '../areas/list-area.js';
import type { PageScene } from '../frame.js';
import type { DesignedPage } from '../page-model.js';
import type { DesignedSource } from './designed-page.js';
import { designedPage } from './designed-page.js';

/** The page of a list by a design, or the one that it has as long as nobody designed any. */
export function indexPage(
  scene: PageScene,
  own: NamedList,
  search: string,
  source: DesignedSource,
  design: PageDesign = standardIndexPage(own.heading, own.list.design),
): Promise<DesignedPage> {
  const { path } = own.list.design;
  const areas: readonly ListArea[] = areasOfPage(design, { path, search, own }, source);
  const canonical = addressOfAreas(path, areas, scene.kindById);
  return designedPage(scene, design, { canonical, listing: null, kind: null, areas }, source);
}
