import type { Cast, FieldRole, FieldTypeName, Kind } from '../../structure/index.js';
import { fieldAt, makeField, makeKindDefinition, wordsOfField } from '../../structure/index.js';
import type { KeptCard, KeptPage } from '../design.js';
import { designWithKeyRenamed, fieldsOfDesign } from '../design.js';
import type { PageCheckScene } from '../pages/check-page.js';
import type { PageDesign } from '../pages/page-design.js';
import { withPageNumbers } from '../pages/page-design.js';
import type { DesignScene } from '../slots/check-slot.js';
import type { CardDesign } from '../cards/card.js';
import { fittedCard, fittedPage } from './fitted.js';

export const STARTER_FORMAT = 'plindo-starter';
export const STARTER_VERSION = 1;

/** A field that a design in a file shows, by which the one that takes its place is found. */
export interface StarterField {
  readonly key: string;
  readonly label: string;
  readonly type: FieldTypeName;
}

/**
 * The card, or a page of the listings or of the list, of a kind as a document that other sites can begin with. Nothing in
 * it depends on the numbers of a store: its own kind is 1 in it, other kinds, selections and parts of pages are 0.
 */
export type StarterFile = {
  readonly format: typeof STARTER_FORMAT;
  readonly version: typeof STARTER_VERSION;
  /** What many of its kind are called where it was made. */
  readonly kind: string;
  readonly fields: readonly StarterField[];
} & (Pick<KeptCard, 'type' | 'definition'> | Pick<KeptPage, 'type' | 'definition'>);

const OWN_KIND = 1;

/** The file of a design of a kind. */
export function starterFileOf(
  design: Pick<KeptCard, 'type' | 'definition'> | Pick<KeptPage, 'type' | 'definition'>,
  kind: Kind,
  kindById: DesignScene['kindById'],
): StarterFile {
  const used = fieldsOfDesign(asKept(design, kind.id), kindById).filter(({ kindId }) => kindId === kind.id);
  const keys = [...new Set(used.map(({ field }) => field))].filter((key) => kind.fields.some((own) => own.key === key));
  const fields = keys.map((key): StarterField => {
    const { label, type } = fieldAt(kind, key)!;
    return { key, label, type };
  });
  const about = { format: STARTER_FORMAT, version: STARTER_VERSION, kind: kind.many, fields } as const;
  if (design.type === 'card') return { ...about, type: 'card', definition: design.definition };
  const definition = withNumbers(design.definition, (id) => (id === kind.id ? OWN_KIND : 0));
  return { ...about, type: 'page', definition };
}

/** What goes where when a design from a file is taken: each field that it shows is a part to be played. */
export function rolesOfFile({ fields }: StarterFile): FieldRole[] {
  return fields.map((field) => {
    const { key, label, type } = field;
    return { name: key, label, types: [type], hints: wordsOfField(field) };
  });
}

/** The card of a file for a kind, with the fields that play its parts; what nothing plays is left out. */
export function cardOfFile(
  file: Extract<StarterFile, { readonly type: 'card' }>,
  cast: Cast,
  kind: Kind,
  scene: DesignScene,
): CardDesign {
  const { definition } = recast(asKept(file, FILE_KIND), file, cast);
  return fittedCard(definition, kind, scene);
}

/** The same of a page. */
export function pageOfFile(
  file: Extract<StarterFile, { readonly type: 'page' }>,
  cast: Cast,
  kind: Kind,
  scene: PageCheckScene,
): PageDesign {
  const { definition } = recast(asKept(file, FILE_KIND), file, cast);
  return fittedPage(
    withNumbers(definition, (id) => (id === OWN_KIND ? kind.id : 0)),
    scene,
  );
}

/** No kind that is kept has this number. */
const FILE_KIND = -1;

function asKept<Of extends { readonly type: 'card' } | { readonly type: 'page' }>(design: Of, kindId: number) {
  return { ...design, id: 0, version: 1, kindId, position: 0 };
}

/** Renames all fields at once, so that two can change places: first to keys that no field can have. */
function recast<Of extends KeptCard | KeptPage>(design: Of, { fields }: StarterFile, cast: Cast): Of {
  const aside = (key: string): string => `~${key}`;
  const standIn = kindWith([...fields, ...fields.map((field) => ({ ...field, key: aside(field.key) }))]);
  const kindById = (id: number): Kind | undefined => (id === FILE_KIND ? standIn : undefined);
  const renamed = (now: Of, from: string, to: string): Of =>
    designWithKeyRenamed(now, { kindId: FILE_KIND, from, to }, kindById);
  const keys = fields.map(({ key }) => key);
  const standing = keys.reduce((now, key) => renamed(now, key, aside(key)), design);
  // A part that nothing plays keeps a key that no field has.
  return keys.reduce((now, key) => renamed(now, aside(key), cast[key] ?? aside(key)), standing);
}

/** A kind with fields, as far as renaming asks for it. */
function kindWith(fields: readonly StarterField[]): Kind {
  const own = fields.map(({ key, label, type }) => ({ ...makeField({ key: 'field', label, type }), key }));
  const definition = makeKindDefinition({ slug: 'file', one: 'Listing', many: 'Listings' });
  return { ...definition, id: FILE_KIND, version: 1, fields: own };
}

function withNumbers(page: PageDesign, kind: (id: number) => number): PageDesign {
  return withPageNumbers(page, { kind, selection: () => 0, part: () => 0, form: () => 0 });
}
