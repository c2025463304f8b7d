import type { FrameDesign, PageDesign, PageSketch } from '../design/index.js';
import { makeFrame, makePage, makeSlot, makeText } from '../design/index.js';
import type { BlueprintConnection, BlueprintListing } from '../exchange/index.js';
import { BLANK_CONTENT } from '../listings/index.js';
import type { FieldSketch, KindDefinition, KindSketch, Picture } from '../structure/index.js';
import { choicesFromLabels, kindOfImport, makeField } from '../structure/index.js';
import { SiteWords, slugOf } from '../values/index.js';

/** What whole sites to begin with are put together of. */

export const field = (key: string, label: string, type: FieldSketch['type'], more: Partial<FieldSketch> = {}) =>
  makeField({ key, label, type, ...more });

export const choices = (labels: readonly string[]) => ({ choices: choicesFromLabels(labels) });

/** A kind that is on the site at once, with the facets and sort choices that fit its fields. */
export function kind(given: KindSketch): KindDefinition {
  const made = kindOfImport({ published: true, startStatus: 'live', ...given }, new SiteWords('en-GB'));
  // What is linked from the other side are single listings, which nobody narrows by.
  const far = new Set(made.fields.filter(({ settings }) => settings.side === 'b').map(({ key }) => key));
  return { ...made, facets: made.facets.filter(({ key }) => !far.has(key)) };
}

/** An example of a kind. */
export function example(kindSlug: string, title: string, more: Partial<BlueprintListing>): BlueprintListing {
  return { ...BLANK_CONTENT, status: 'live', kind: kindSlug, title, slug: slugOf(title), ...more };
}

/** Connections from each title of one kind to titles of the other. */
export function connections(pairs: readonly (readonly [a: string, b: string])[]): BlueprintConnection[] {
  return pairs.map(([a, b], at) => ({ a: slugOf(a), b: slugOf(b), note: '', aOrder: at, bOrder: at }));
}

/** A day so many days from another. */
export function dayAfter(today: string, days: number): string {
  return new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

type Strip = PageSketch['strips'][number];
interface Button {
  readonly words: string;
  readonly address: string;
}

export function home(purpose: string, strips: readonly Strip[]): PageDesign {
  return makePage({ name: 'Home page', purpose, serves: 'home', strips: [...strips] });
}

/** A picture over the whole width with the name of the site, a sentence, and where to go first. */
export function welcome(name: string, sentence: string, picture: Picture, buttons: readonly Button[]): Strip {
  return {
    name: 'Welcome',
    width: 'full',
    picture,
    columns: [
      {
        pieces: [
          { type: 'heading', settings: { text: makeText([name]), level: 1 } },
          { type: 'text', settings: { slots: [makeSlot({ key: 'sentence', text: [sentence], size: 'large' })] } },
          { type: 'buttons', settings: { buttons: buttons.map((one) => ({ ...one, field: '' })) } },
        ],
      },
    ],
  };
}

type Listed = Extract<Strip['columns'][number]['pieces'][number], { readonly type: 'list' }>['settings'];

/** Listings of the kind at a place in the starter, under a heading that leads to all of them. */
export function listed(heading: string, of: number, more: Partial<Listed> = {}, strip: Partial<Strip> = {}): Strip {
  return {
    name: heading,
    space: 'large',
    columns: [
      {
        pieces: [
          { type: 'list', settings: { from: 'kind', of, heading: makeText([heading]), leadsOn: true, ...more } },
        ],
      },
    ],
    ...strip,
  };
}

/** The categories of a kind as tiles. */
export function categoryTiles(heading: string, of: number, facet: string): Strip {
  const settings = { of, facet, layout: 'tiles' as const, heading: makeText([heading]) };
  return { name: heading, columns: [{ pieces: [{ type: 'categories', settings }] }] };
}

/** A header with a search and the shortlist, and a footer with a word about the site. */
export function frame(about: string, searchIn: number): FrameDesign {
  return makeFrame({
    name: 'Header and footer',
    hasShortlist: true,
    searchIn,
    columns: [{ heading: 'About this site', html: `<p>${about}</p>`, links: [] }],
  });
}
