import type {
  CardModel,
  ChipModel,
  DateGroupModel,
  EmptyModel,
  FacetModel,
  JumpModel,
  PageModel,
  PieceModel,
  PieceModelOf,
  SortModel,
} from '../src/page/index.js';

/** What the page of a list shows of it, whichever pieces show it. */
export interface ListOnPage {
  readonly total: number;
  readonly countSentence: string;
  readonly cards: readonly CardModel[];
  readonly featured: readonly CardModel[];
  readonly groups: readonly DateGroupModel[];
  readonly empty: EmptyModel | null;
  readonly facets: readonly FacetModel[];
  readonly chips: readonly ChipModel[];
  readonly clearHref: string;
  readonly sorts: readonly SortModel[];
  readonly jumps: readonly JumpModel[];
}

/** The titles of all cards, in their order. */
export function titlesOn({ featured, cards }: Pick<ListOnPage, 'featured' | 'cards'>): string[] {
  return [...featured, ...cards].map(({ title }) => title);
}

export function piecesOn(page: PageModel): PieceModel[] {
  if (page.type !== 'designed') return [];
  return page.strips.flatMap(({ columns }) => columns.flatMap(({ pieces }) => pieces));
}

export function listOnPage(page: PageModel): ListOnPage {
  const pieces = piecesOn(page);
  const one = <Type extends PieceModel['type']>(type: Type): PieceModelOf<Type> | undefined =>
    pieces.find((piece): piece is PieceModelOf<Type> => piece.type === type);
  const [list, count, facets] = [one('list'), one('count'), one('facets')];
  return {
    ...{ total: count?.total ?? NaN, countSentence: count?.sentence ?? '' },
    ...{ cards: list?.cards ?? [], featured: list?.state?.featured ?? [], groups: list?.state?.groups ?? [] },
    empty: list?.state?.empty ?? null,
    ...{ facets: facets?.facets ?? [], clearHref: facets?.clearHref ?? '' },
    ...{ chips: one('chips')?.chips ?? [], sorts: one('sort')?.choices ?? [], jumps: one('jump')?.jumps ?? [] },
  };
}
