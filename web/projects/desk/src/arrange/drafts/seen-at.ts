import type { Design, PageDesign } from '@plindo/core/design';
import { pagesWithForm, piecesOfPage } from '@plindo/core/design';
import { categoryPath } from '@plindo/core/page';
import type { Kind, Selection } from '@plindo/core/structure';
import { SELECTIONS_SLUG, SHORTLIST_SLUG } from '@plindo/core/structure';

/** Where a design is seen: at an address, on the page of any listing of a kind, or nowhere by itself. */
export type SeenAt = { readonly path: string } | { readonly listingOf: Kind } | null;

/** One place where visitors see a design, of a part a page that embeds it; null for one that nobody sees. */
export function seenAt(
  { id, type, kindId, definition, draft }: Design,
  kinds: readonly Kind[],
  selections: readonly Pick<Selection, 'id' | 'slug'>[],
  designs: readonly Design[],
): SeenAt {
  const kind = kinds.find(({ id }) => id === kindId);
  if (type === 'card') return kind ? { path: `/${kind.slug}` } : null;
  if (type === 'form') {
    const [page] = pagesWithForm(draft?.of ?? id, designs);
    return page ? seenAt(page, kinds, selections, designs) : null;
  }
  if (type !== 'page') return { path: '/' };
  switch (definition.serves) {
    case 'home':
      return { path: '/' };
    case 'free':
      return { path: `/${definition.address}` };
    case 'shortlist':
      return { path: `/${SHORTLIST_SLUG}` };
    case 'listing':
      return kind ? { listingOf: kind } : null;
    case 'index': {
      const selection = selections.find(({ id }) => id === definition.selection);
      if (selection) return { path: `/${SELECTIONS_SLUG}/${selection.slug}` };
      return kind ? { path: `/${kind.slug}` } : null;
    }
    case 'category': {
      const choices = kind?.fields
        .filter((field) => field.type === 'categories')
        .flatMap(({ settings }) => settings.choices ?? []);
      const category = choices?.find(
        ({ key }) => definition.categories.length === 0 || definition.categories.includes(key),
      );
      return kind && category ? { path: categoryPath(kind, category) } : null;
    }
    case 'part': {
      const host = designs.find((one) => one.type === 'page' && embeds(one.definition, draft?.of ?? id));
      return host ? seenAt(host, kinds, selections, designs) : null;
    }
  }
}

function embeds(page: PageDesign, part: number): boolean {
  return piecesOfPage(page).some(({ type, settings }) => type === 'part' && 'of' in settings && settings.of === part);
}

/** Where in the Desk the designer of a design is. */
export function designerOf({ id, type, kindId, draft }: Design): readonly (string | number)[] {
  const number = draft?.of ?? id;
  if (type === 'card') return ['/arrange', kindId ?? 0, 'cards', number];
  if (type === 'page') return ['/arrange/pages', number];
  if (type === 'look') return ['/arrange/looks', number];
  if (type === 'frame') return ['/arrange/frame'];
  if (type === 'form') return ['/arrange/forms', number];
  return type === 'words' ? ['/arrange/words'] : ['/arrange/addresses'];
}
