import type { Design, PageDesign, PieceOf } from '@plindo/core/design';
import { formsOf, frameOf, isPart, partAmong, steeredLists, withParts } from '@plindo/core/design';
import type { Kind, ReadContext, Selection } from '@plindo/core/structure';
import { facetsOver } from '@plindo/core/structure';
import type { PageSurroundings } from './page-work';

/** All that the Desk knows around a page. */
interface Known {
  readonly kinds: readonly Kind[];
  readonly selections: readonly Selection[];
  readonly designs: readonly Design[];
  readonly context: ReadContext;
}

/** What the work on a page is checked with, and what its settings are chosen from; `id` is the page's own in the address. */
export function surroundingsOf(kind: Kind | null, id: string, known: Known): PageSurroundings {
  const { kinds, selections, designs, context } = known;
  const kindById = (number: number): Kind | undefined => kinds.find((one) => one.id === number);
  const others = designs.filter((design) => String(design.id) !== id);
  const addresses = others.flatMap((design) => (design.type === 'page' ? [design.definition.address] : []));
  const isTaken = (address: string): boolean =>
    addresses.includes(address) || kinds.some(({ slug }) => slug === address.split('/')[0]);
  const facetsOfSelection = (number: number): Kind['facets'] => {
    const selection = selections.find((one) => one.id === number);
    const chosen = kinds.filter((one) => selection?.kinds.includes(one.id));
    return facetsOver(chosen).filter(({ key }) => selection?.facets.includes(key));
  };
  const facetsOfList = ({ settings: { from, of } }: PieceOf<'list'>, page: PageDesign): Kind['facets'] => {
    if (from === 'kind') return kindById(of)?.facets ?? [];
    const number = from === 'selection' ? of : page.selection;
    return number === 0 ? (kind?.facets ?? []) : facetsOfSelection(number);
  };
  const partOf = (number: number): ReturnType<typeof partAmong> => partAmong(others, number);
  return {
    kind,
    hasOwnMenu: frameOf(designs)?.definition.hasOwnMenu ?? false,
    kinds,
    selections: selections.map(({ id: number, name }) => ({ id: number, name })),
    parts: others.filter(isPart).map(({ id: number, kindId, definition: { name } }) => ({ id: number, kindId, name })),
    forms: formsOf(designs).map(({ id: number, definition: { name } }) => ({ id: number, name })),
    check: {
      ...{ kind, kindById, context, partOf, isTaken },
      formOf: (number) => formsOf(designs).find(({ id: own }) => own === number),
      isSelection: (number) => selections.some((one) => one.id === number),
    },
    facetsOf(page, area) {
      const whole = withParts(page, (number) => partOf(number)?.definition);
      const list = steeredLists(whole).find(({ settings }) => settings.name === area);
      return list ? facetsOfList(list, page) : [];
    },
  };
}
