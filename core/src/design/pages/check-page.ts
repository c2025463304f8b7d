import { conditionFaults } from '../../listings/index.js';
import type { ConditionGroup, Kind } from '../../structure/index.js';
import { RESERVED_SLUGS } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { isSlug, issue } from '../../values/index.js';
import { LONGEST_DESIGN_NAME } from '../cards/card.js';
import type { PieceScene } from '../pieces/piece-type.js';
import { pieceTypeOf } from '../pieces/registry.js';
import { asksOfLinked, slotFaults, valueFaults } from '../slots/check-slot.js';
import { isValue } from '../slots/text-with-values.js';
import type { PageDesign, Piece, Strip } from './page-design.js';
import { slotsOfPiece, steeredLists } from './page-design.js';
import { isOfKind, isOfList } from './page-purpose.js';

/** What checking a page depends on; its kind is the one whose listings, or whose list, it serves. */
export interface PageCheckScene extends Omit<PieceScene, 'areas' | 'listKind' | 'serves'> {
  /** First parts of addresses that are taken by kinds, and addresses of other pages. */
  readonly isTaken: (address: string) => boolean;
}

/** Everything that is wrong with a page, each with its place ("strips.2.columns.1.pieces.3"). */
export function checkPage(page: PageDesign, scene: PageCheckScene): Issue[] {
  const areas = steeredLists(page).map(({ settings }) => settings.name);
  const isList = isOfList(page);
  // What a page of a list shows is of no one listing.
  const inside: PieceScene = {
    ...scene,
    kind: isList ? null : scene.kind,
    listKind: isList ? scene.kind : null,
    areas,
    serves: page.serves,
  };
  return [
    ...frameIssues(page, { ...scene, kind: inside.kind }, scene.kind),
    ...page.strips.flatMap((strip, at) => stripIssues(strip, at, inside)),
    ...keyIssues(page),
  ];
}

function frameIssues(page: PageDesign, scene: PageCheckScene, served: Kind | null): Issue[] {
  const issues: Issue[] = [];
  if (page.name.trim() === '' || page.name.length > LONGEST_DESIGN_NAME) {
    issues.push(issue('design.name', { greatest: LONGEST_DESIGN_NAME }, { field: 'name' }));
  }
  if (page.serves === 'free') issues.push(...addressIssues(page.address, scene));
  else if (page.address !== '') issues.push(wrong('Address', 'only a page that stands by itself has one.', 'address'));
  if (isOfKind(page) && !served) issues.push(wrong('Page', 'its kind is not there any more.', 'kindId'));
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

function addressIssues(address: string, { isTaken }: PageCheckScene): Issue[] {
  const parts = address.split('/');
  if (!parts.every((part) => isSlug(part))) return [issue('kind.slug', { slug: address }, { field: 'address' })];
  const isReserved = RESERVED_SLUGS.includes(parts[0] ?? '');
  return isReserved || isTaken(address) ? [issue('kind.slug-taken', { slug: address }, { field: 'address' })] : [];
}

function stripIssues(strip: Strip, at: number, scene: PieceScene): Issue[] {
  const place = `strips.${at + 1}`;
  const name = strip.name || `Strip ${at + 1}`;
  const issues = conditionIssues(strip.showWhen, name, `${place}.showWhen`, scene);
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

function pieceIssues(piece: Piece, strip: string, place: string, scene: PieceScene): Issue[] {
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
  return [
    ...faults.map((reason) => wrong(name, reason, place)),
    ...conditionIssues(piece.showWhen, name, `${place}.showWhen`, scene),
  ];
}

function conditionIssues(
  where: ConditionGroup | null,
  name: string,
  place: string,
  scene: Pick<PieceScene, 'context' | 'kind' | 'kindById'>,
): Issue[] {
  if (!where) return [];
  const kind: Kind | null = scene.kind;
  if (!kind) return [wrong(name, 'it asks for something of a listing, and this page has none.', place)];
  if (asksOfLinked(where))
    return [wrong(name, 'it asks for something of linked listings, which a page cannot.', place)];
  return conditionFaults({ kinds: [kind.id], where }, scene).map((fault) =>
    wrong(name, `condition ${fault.place}: ${fault.reason}`, place),
  );
}

function keyIssues({ strips }: PageDesign): Issue[] {
  const columns = strips.flatMap((strip) => strip.columns);
  const all = [...strips, ...columns, ...columns.flatMap(({ pieces }) => pieces)].map(({ key }) => key);
  const twice = all.find((key, at) => all.indexOf(key) !== at);
  return twice === undefined ? [] : [wrong('Page', `two parts have the key “${twice}”.`, 'strips')];
}

function wrong(place: string, reason: string, field: string): Issue {
  return issue('design.page', { place, reason }, { field });
}
