import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Kind } from '../../structure/index.js';
import { makeFacet, makeField } from '../../structure/index.js';
import type { PageCheckScene, PageDesign, PagePurpose, PieceChoices, PieceTypeName } from '../index.js';
import {
  PIECE_TYPES,
  addPiece,
  afterStep,
  checkPage,
  makePage,
  newPiece,
  pieceSceneOf,
  pieceTypeOf,
} from '../index.js';

const berth: Kind = makeKind(
  [
    makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
    makeField({ key: 'views', label: 'Views', type: 'pictures' }),
    makeField({
      ...{ key: 'tariff', label: 'Tariff', type: 'rows' },
      settings: { fields: [makeField({ key: 'season', label: 'Season', type: 'short-text' })] },
    }),
    makeField({ key: 'lit', label: 'Lit', type: 'yes-no' }),
  ],
  { facets: [makeFacet({ key: 'lit', label: 'Lit', field: 'lit', control: 'ticks' })] },
);
const bare: Kind = { ...makeKind([]), id: 2, many: 'Ideas', parts: [] };
const form = { id: 7, name: 'Tell us', kindId: 1 };
const TYPES = Object.keys(PIECE_TYPES) as PieceTypeName[];

function sceneOf(kind: Kind | null): PageCheckScene {
  const kindById = (id: number): Kind | undefined => [berth, bare].find((one) => one.id === id);
  return {
    kind,
    kindById,
    context: contextIn(),
    isSelection: () => false,
    partOf: () => undefined,
    formOf: (id) => (id === form.id ? form : undefined),
    isTaken: () => false,
  };
}

function choicesOn(page: PageDesign, kind: Kind | null, forms = [form]): PieceChoices {
  return {
    ...pieceSceneOf(page, sceneOf(kind)),
    ...{ kinds: [berth, bare], selections: [], parts: [], forms },
    facetsOf: () => kind?.facets ?? [],
  };
}

function emptyPage(serves: PagePurpose): PageDesign {
  return makePage({ name: 'Page', serves, strips: [{ key: 's', columns: [{ key: 'c', pieces: [] }] }] });
}

/** What comes of adding a piece of a sort to a page: what the page lacks for it, or what is wrong with it then. */
function outcome(type: PieceTypeName, page: PageDesign, kind: Kind | null): string[] {
  const made = newPiece(type, choicesOn(page, kind));
  if ('lacks' in made) return [`lacks ${made.lacks}`];
  const step = addPiece(page, { column: 'c', at: page.strips[0]!.columns[0]!.pieces.length }, made.piece)!;
  return checkPage(afterStep(page, step), sceneOf(kind)).map(({ message }) => message);
}

describe('A new piece', () => {
  it('of any sort begins without a fault on a page of listings with a list that is steered', () => {
    const page = makePage({
      ...{ name: 'Page', serves: 'listing' },
      strips: [{ key: 's', columns: [{ key: 'c', pieces: [{ type: 'list', settings: { of: 1, steered: true } }] }] }],
    });
    const wrong = TYPES.filter((type) => type !== 'part' && type !== 'comparison').flatMap((type) =>
      outcome(type, page, berth),
    );
    expect(wrong).toEqual([]);
  });

  it('on any other page begins without a fault, or says what is lacking; a picture has to be chosen', () => {
    const lacking = (serves: PagePurpose, kind: Kind | null): Record<string, string[]> =>
      Object.fromEntries(
        TYPES.map((type) => [type, outcome(type, emptyPage(serves), kind)] as const).filter(
          ([, said]) => said.length > 0,
        ),
      );
    const noListing = ['lacks a page of listings'];
    const noList = ['lacks a list that visitors can steer'];
    const ofLists = Object.fromEntries(
      ['facets', 'search', 'sort', 'count', 'chips', 'pager', 'jump', 'map', 'chosen-category'].map((type) => [
        type,
        noList,
      ]),
    );
    const onHome = {
      ...{ gallery: ['lacks a page of listings that have pictures'], values: noListing, byline: noListing },
      ...{ keep: noListing, comparison: ['lacks the page of the shortlist'] },
      ...{ specification: ['lacks a page of listings that have a field of rows'], breadcrumb: noListing },
      ...{ ...ofLists, part: ['lacks a part, which is made under Pages'], tell: noListing },
      picture: [jasmine.stringContaining('no picture is chosen')],
    };
    expect(lacking('home', null)).toEqual(onHome as never);
    expect(lacking('index', berth)).toEqual(onHome as never);
    const { gallery, specification, part, comparison } = onHome;
    expect(lacking('shortlist', null)).toEqual(
      Object.fromEntries(Object.entries(onHome).filter(([type]) => type !== 'comparison')) as never,
    );
    expect(lacking('listing', bare)).toEqual({
      gallery,
      specification,
      part,
      comparison,
      picture: onHome.picture,
      ...ofLists,
    } as never);
  });

  it('is no form where none was made', () => {
    const made = newPiece('form', choicesOn(emptyPage('home'), null, []));
    expect(made).toEqual({ lacks: 'a form, which is made under Arrange, Forms' });
  });

  it('can be asked for everything that its form holds, and offers nothing that its form refuses', () => {
    const page = emptyPage('listing');
    const scene = choicesOn(page, berth);
    for (const type of TYPES) {
      const { form, controls } = pieceTypeOf(type);
      const made = newPiece(type, scene);
      if ('lacks' in made) continue;
      const { settings } = made.piece;
      for (const [name, control] of Object.entries(controls)) {
        if (control.as !== 'choice' && control.as !== 'choices') continue;
        for (const { key } of control.options(scene, settings)) {
          const sent = control.as === 'choices' ? [key] : key;
          expect(() => form[name]!.read(sent, name))
            .withContext(`${type}: ${name}`)
            .not.toThrow();
        }
      }
      expect(Object.keys(controls).sort()).toEqual(Object.keys(form).sort());
    }
  });
});
