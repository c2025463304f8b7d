import type { FacetCounts, FacetChoice, ListDesign, Query, QueryScene } from '../../query/index.js';
import { NO_VALUE, YES_VALUE, kindsOf } from '../../query/index.js';
import type { Facet, Field } from '../../structure/index.js';
import { choiceLabel, fieldOfFacet, plainField } from '../../structure/index.js';
import type { Formats, SiteWords } from '../../values/index.js';

/** Gives the address of a query's page. */
export type HrefOf = (query: Query) => string;

/** What the models of facets and chips are made of. */
export interface FacetScene {
  readonly design: ListDesign;
  readonly query: Query;
  readonly counts: ReadonlyMap<string, FacetCounts>;
  readonly scene: QueryScene;
  readonly hrefOf: HrefOf;
  /** How many listings a query finds. */
  readonly countOf: (query: Query) => number;
}

export function formatsOf({ scene }: Pick<FacetScene, 'scene'>): Formats {
  return scene.context.formats;
}

/** The field that a facet asks about; null when it is gone. */
export function fieldIn({ design, scene }: Pick<FacetScene, 'design' | 'scene'>, facet: Facet): Field | null {
  return fieldOfFacet(facet, design, kindsOf(scene));
}

/** A facet's choice, where it is of the given kind. */
export function choiceIn<Kind extends FacetChoice['kind']>(
  { query }: Pick<FacetScene, 'query'>,
  { key }: Facet,
  kind: Kind,
): Extract<FacetChoice, { kind: Kind }> | null {
  const choice = query.choices.get(key);
  return choice?.kind === kind ? (choice as Extract<FacetChoice, { kind: Kind }>) : null;
}

function yesOrNo(value: string, words: SiteWords): string {
  if (value === YES_VALUE) return words.say('value.yes');
  return value === NO_VALUE ? words.say('value.no') : value;
}

/** A value of a facet for readers. */
export function valueLabel(value: string, facet: Facet, field: Field, { scene }: Pick<FacetScene, 'scene'>): string {
  if (facet.control === 'letters') return value.toLocaleUpperCase(scene.context.locale);
  if (plainField(field).type === 'yes-no') return yesOrNo(value, scene.context.formats.words);
  if (field.type !== 'link') return choiceLabel(value, field);
  const catalog = scene.catalogOf(field.settings.linked?.kindId ?? 0);
  const row = catalog?.rowOfSlug(value);
  return (row === undefined ? null : catalog?.title.textAt(row)) ?? value;
}
