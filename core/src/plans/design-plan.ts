import type {
  Design,
  DesignType,
  KeptCard,
  KeptFrame,
  KeptRedirects,
  KeptForm,
  KeptLook,
  KeptPage,
  KeptWords,
} from '../design/index.js';
import {
  checkCard,
  checkForm,
  checkFrame,
  checkLook,
  checkPage,
  checkRedirects,
  checkWords,
  formsOf,
  mayBeOfKind,
  partAmong,
} from '../design/index.js';
import type { ReadContext } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { foldText, issue } from '../values/index.js';
import type { Structure } from './structure.js';

type Unplaced<Of extends Design> = Pick<Of, 'type' | 'kindId' | 'definition'>;

/** A design before the store has given it a number, and a position among its like. */
export type UnplacedDesign =
  | Unplaced<KeptCard>
  | Unplaced<KeptPage>
  | Unplaced<KeptLook>
  | Unplaced<KeptWords>
  | Unplaced<KeptFrame>
  | Unplaced<KeptRedirects>
  | Unplaced<KeptForm>;
export type DesignSketch = UnplacedDesign & Pick<Design, 'position' | 'draft'>;

/** What designs are called in sentences. */
export const DESIGN_WORDS: Readonly<Record<DesignType, string>> = {
  card: 'card',
  page: 'page',
  look: 'look',
  words: 'words',
  frame: 'header and footer',
  redirects: 'redirects',
  form: 'form',
};

/**
 * Everything that is wrong with a design; `id` is its own where it is there already. Told as `design.taken` and
 * `request.not-found`.
 */
export function designIssues(
  design: UnplacedDesign,
  id: number | null,
  structure: Structure,
  context: ReadContext,
): Issue[] {
  const { type, kindId, definition } = design;
  const kind = kindId === null ? null : (structure.kind(kindId) ?? null);
  const others = structure.designs.filter((other) => other.id !== id);
  const isTaken = others.some((other) => other.kindId === kindId && isSameName(other, design));
  const issues = isTaken
    ? [issue('design.taken', { type: DESIGN_WORDS[type], name: definition.name }, { field: 'name' })]
    : [];
  const scene = { kindById: structure.kindById, context };
  if (design.type === 'card') {
    return kind ? [...issues, ...checkCard(design.definition, kind, scene)] : [issue('request.not-found')];
  }
  if (design.type === 'form') {
    return kind ? [...issues, ...checkForm(design.definition, kind, scene)] : [issue('request.not-found')];
  }
  if (design.type === 'look') {
    return kindId === null ? [...issues, ...checkLook(design.definition)] : [issue('request.not-found')];
  }
  if (design.type === 'words') {
    return kindId === null ? [...issues, ...checkWords(design.definition)] : [issue('request.not-found')];
  }
  if (design.type === 'frame') {
    const wrong = checkFrame(design.definition, structure.kindById);
    return kindId === null ? [...issues, ...wrong] : [issue('request.not-found')];
  }
  if (design.type === 'redirects') {
    return kindId === null ? [...issues, ...checkRedirects(design.definition)] : [issue('request.not-found')];
  }
  // A page of listings or of their list has their kind, any other none; a part may have one.
  if (!mayBeOfKind(design.definition, kindId !== null) || (kindId !== null && !kind)) {
    return [issue('request.not-found')];
  }
  const isSelection = (number: number): boolean => structure.selections.some((one) => one.id === number);
  const addresses = addressesOfPages({ designs: others });
  const slugs = structure.kindsBesides(null).map(({ slug }) => slug);
  const isTakenAddress = (address: string): boolean =>
    addresses.includes(address) || slugs.includes(address.split('/')[0]!);
  const partOf = (part: number): KeptPage | undefined => partAmong(others, part);
  const formOf = (form: number): KeptForm | undefined => formsOf(others).find(({ id: own }) => own === form);
  const page = checkPage(design.definition, { ...scene, kind, isSelection, partOf, formOf, isTaken: isTakenAddress });
  return [...issues, ...page];
}

type Named = Pick<Design, 'type' | 'definition'>;

function isSameName(one: Named, other: Named): boolean {
  return one.type === other.type && foldText(one.definition.name) === foldText(other.definition.name);
}

/**
 * What another structure would break of the designs that are there: "used by" for whoever deletes a field. Designs that
 * had something wrong before don't stand in the way. Told as `design.broken`.
 */
export function brokenDesigns(before: Structure, after: Structure, context: ReadContext): Issue[] {
  return after.designs.flatMap((design) => {
    if (design.kindId !== null && !after.kind(design.kindId)) return [];
    const was = before.design(design.id);
    const known = new Set(was && designIssues(was, was.id, before, context).map(({ message }) => message));
    const { name } = design.definition;
    return designIssues(design, design.id, after, context)
      .filter(({ message }) => !known.has(message))
      .map(({ message }) =>
        issue('design.broken', { type: DESIGN_WORDS[design.type], name, reason: message }, { field: 'fields' }),
      );
  });
}

/** The addresses that free pages have, so that no kind takes one. */
export function addressesOfPages({ designs }: Pick<Structure, 'designs'>): string[] {
  return designs.flatMap((design) =>
    design.type === 'page' && design.definition.address !== '' ? [design.definition.address] : [],
  );
}
