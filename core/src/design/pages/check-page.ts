import type { Kind } from '../../structure/index.js';
import { RESERVED_SLUGS } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { isSlug, issue } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import type { PartOfPages, PieceScene } from '../pieces/piece-type.js';
import { pieceTypeOf } from '../pieces/registry.js';
import { slotFaults, valueFaults } from '../slots/check-slot.js';
import { isValue } from '../slots/text-with-values.js';
import type { PageDesign, Piece, Strip } from './page-design.js';
import { slotsOfPiece, steeredLists } from './page-design.js';
import { withParts } from './embedded-parts.js';
import { isOfList } from './page-purpose.js';
import type { InsideScene } from './check-shown.js';
import { categoryFaults, conditionIssues, shownIssues, wrong } from './check-shown.js';

/** What checking a page depends on; its kind is the one whose listings, or whose list, it serves. */
export interface PageCheckScene extends Omit<PieceScene, 'areas' | 'listKind' | 'serves' | 'partOf'> {
  readonly partOf: (id: number) => KeptPart | undefined;
  /** First parts of addresses that are taken by kinds, and addresses of other pages. */
  readonly isTaken: (address: string) => boolean;
}

interface KeptPart {
  readonly kindId: number | null;
  readonly definition: PageDesign;
}

/** What the pieces of a page are checked with, and chosen by. */
export function pieceSceneOf(page: PageDesign, scene: PageCheckScene): InsideScene {
  const lists = steeredLists(withParts(page, (id) => scene.partOf(id)?.definition));
  const areas = lists.map(({ settings }) => settings.name);
  const isList = isOfList(page);
  // The page of a list shows no single listing.
  return {
    ...scene,
    lists,
    partOf: (id) => namedPart(scene.partOf(id)),
    kind: isList ? null : scene.kind,
    listKind: isList ? scene.kind : null,
    areas,
    serves: page.serves,
  };
}

/** Everything that is wrong with a page, each with its place ("strips.2.columns.1.pieces.3"). */
export function checkPage(page: PageDesign, scene: PageCheckScene): Issue[] {
  const inside = pieceSceneOf(page, scene);
  return [
    ...frameIssues(page, { ...scene, kind: inside.kind }, scene.kind),
    ...page.strips.flatMap((strip, at) => stripIssues(strip, at, inside)),
    ...keyIssues(page),
  ];
}

function namedPart(part: KeptPart | undefined): PartOfPages | undefined {
  return part && { kindId: part.kindId, name: part.definition.name };
}

function frameIssues(page: PageDesign, scene: PageCheckScene, served: Kind | null): Issue[] {
  const issues = nameIssues(page);
  if (page.serves === 'free') issues.push(...addressIssues(page.address, scene));
  else if (page.address !== '') issues.push(wrong('Address', 'only a page that stands by itself has one.', 'address'));
  issues.push(...servedIssues(page, scene, served));
  issues.push(...conditionIssues(page.when, 'Serves', 'when', scene));
  for (const [name, text] of [['Title', page.title] as const, ['Description', page.description] as const]) {
    const faults = text.flatMap((part) => {
      if (!isValue(part)) return [];
      return scene.kind ? valueFaults(part, scene.kind, scene) : ['this page has no listing to take values from.'];
    });
    issues.push(...faults.map((reason) => wrong(name, reason, name.toLowerCase())));
  }
  return issues;
}

function servedIssues(
  { serves, selection, categories }: PageDesign,
  scene: PageCheckScene,
  served: Kind | null,
): Issue[] {
  const issues: Issue[] = [];
  if (selection !== 0) {
    if (serves !== 'index')
      issues.push(wrong('Page', 'only the page of a list can be that of a selection.', 'selection'));
    if (!scene.isSelection(selection)) issues.push(wrong('Page', 'its selection is not there any more.', 'selection'));
  } else if ((isOfList({ serves }) || serves === 'listing') && !served) {
    issues.push(wrong('Page', 'its kind is not there any more.', 'kindId'));
  }
  const reasons = categoryFaults(categories, { serves, listKind: served });
  return [...issues, ...reasons.map((reason) => wrong('Page', reason, 'categories'))];
}

function addressIssues(address: string, { isTaken }: PageCheckScene): Issue[] {
  const parts = address.split('/');
  if (!parts.every((part) => isSlug(part))) return [issue('kind.slug', { slug: address }, { field: 'address' })];
  const isReserved = RESERVED_SLUGS.includes(parts[0] ?? '');
  return isReserved || isTaken(address) ? [issue('kind.slug-taken', { slug: address }, { field: 'address' })] : [];
}

function stripIssues(strip: Strip, at: number, scene: InsideScene): Issue[] {
  const place = `strips.${at + 1}`;
  const name = strip.name || `Strip ${at + 1}`;
  const issues = shownIssues(strip, name, place, scene);
  if (strip.columns.length === 0) issues.push(wrong(name, 'it needs a column.', place));
  if (strip.anchor !== '' && !isSlug(strip.anchor)) {
    issues.push(wrong(name, `what stands behind # may hold small letters, digits and hyphens.`, `${place}.anchor`));
  }
  const pieces = strip.columns.flatMap((column, column_at) =>
    column.pieces.flatMap((piece, piece_at) =>
      pieceIssues(piece, name, `${place}.columns.${column_at + 1}.pieces.${piece_at + 1}`, scene),
    ),
  );
  return [...issues, ...pieces];
}

function pieceIssues(piece: Piece, strip: string, place: string, scene: InsideScene): Issue[] {
  const type = pieceTypeOf(piece.type);
  const name = `${strip}, ${type.label}`;
  const { kind } = scene;
  const ofSlots = slotsOfPiece(piece).flatMap((slot) => {
    if (kind) return slotFaults(slot, kind, scene);
    const isPlain = slot.text.every((part) => !isValue(part)) && slot.showWhen === null;
    return isPlain ? [] : ['it shows something of a listing, and this page has none.'];
  });
  const listedKind = type.listed?.kind(piece.settings, scene.listKind ?? kind, scene.kindById);
  const ofListed = listedKind
    ? type.listed!.slots(piece.settings).flatMap((slot) => slotFaults(slot, listedKind, scene))
    : [];
  const faults = [...(type.faults?.(piece.settings, scene) ?? []), ...ofSlots, ...ofListed];
  return [...faults.map((reason) => wrong(name, reason, place)), ...shownIssues(piece, name, place, scene)];
}

function keyIssues({ strips }: PageDesign): Issue[] {
  const columns = strips.flatMap((strip) => strip.columns);
  const all = [...strips, ...columns, ...columns.flatMap(({ pieces }) => pieces)].map(({ key }) => key);
  const twice = all.find((key, at) => all.indexOf(key) !== at);
  return twice === undefined ? [] : [wrong('Page', `two parts have the key “${twice}”.`, 'strips')];
}
