import type { Kind, KindDefinition } from '../../structure/index.js';

/** What of a list its arrangement is. */
type Arranged = 'facets' | 'sortChoices' | 'defaultOrder' | 'grouping' | 'pager' | 'pageSize';

/** How a list is arranged, whichever listings it holds: a kind gives one, a selection another. */
export interface ListDesign extends Pick<KindDefinition, 'one' | 'many' | 'intro' | 'fields' | Arranged> {
  /** The address of the page that it stands on: "/berths". */
  readonly path: string;
  /**
   * What stands before the parts of an address that are about it ("yards." of "yards.page=2"), so that a page can have
   * several; '' for the one whose parts are plain.
   */
  readonly prefix: string;
}

/** The arrangement that a kind gives to the list of its listings. */
export function designOfKind(kind: Kind): ListDesign {
  const { one, many, intro, fields, facets, sortChoices, defaultOrder, grouping, pager, pageSize, slug } = kind;
  const arranged = { facets, sortChoices, defaultOrder, grouping, pager, pageSize };
  return { one, many, intro, fields, ...arranged, path: `/${slug}`, prefix: '' };
}
