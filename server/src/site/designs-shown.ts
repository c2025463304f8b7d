import type { Design, PageDesign } from '@plindo/core/design';
import { designsOnPage } from '@plindo/core/design';
import type { ListArea } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { Live } from '../live/live.js';

/** Tells which designs visitors see on pages. It is the same for all pages that are made alike, until the structure changes. */
export class DesignsShown {
  private readonly known = new Map<string, readonly number[]>();
  /** Every structure has designs of its own; a new kind is there once its catalog is. */
  private knownOf: { readonly designs: readonly Design[]; readonly kinds: number } = { designs: [], kinds: 0 };

  constructor(private readonly live: Live) {}

  /** Numbers of the designs on a page, made by one of them or (null) by Plindo; `kind` is that of the listing whose page it is. */
  on(
    definition: PageDesign,
    designId: number | null,
    kind: Kind | null,
    areas: readonly ListArea[],
  ): readonly number[] {
    const { live } = this;
    const [designs, kinds] = [live.designs(), live.kinds()];
    if (this.knownOf.designs !== designs || this.knownOf.kinds !== kinds.length) this.known.clear();
    this.knownOf = { designs, kinds: kinds.length };
    const listed = areas.flatMap(({ list }) => list.parts.map(({ catalog }) => catalog.kind.id));
    const kindId = kind?.id ?? null;
    const key = [designId ?? definition.serves, kindId, ...listed].join(' ');
    const found =
      this.known.get(key) ??
      designsOnPage(
        { designId, definition, kindId, listed },
        { designs, kinds, selections: live.selections(), kindById: (id) => live.kind(id) },
      );
    this.known.set(key, found);
    return found;
  }
}
