import { addressesOfPages } from './design-plan.js';
import type { Structure } from './structure.js';
import type { Kind, KindDefinition } from '../structure/index.js';
import { checkKind, checkKindChange, linkFieldsChanged } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { issue } from '../values/index.js';

/** What stands in the way of a new kind; its definition is complete. */
export function newKindIssues(definition: KindDefinition, structure: Structure): Issue[] {
  return [
    ...checkKind(definition, structure.kindsBesides(null)),
    ...addressIssues(definition, structure),
    ...linkEndIssues(linkFieldsChanged({ fields: [] }, definition)),
  ];
}

/** What stands in the way of another definition of a kind, complete as well. */
export function changedKindIssues(
  before: Kind,
  definition: KindDefinition,
  structure: Structure,
  hasListings: boolean,
): Issue[] {
  return [
    ...checkKind(definition, structure.kindsBesides(before.id)),
    ...addressIssues(definition, structure),
    ...(hasListings ? checkKindChange(before, definition) : []),
    ...linkEndIssues(linkFieldsChanged(before, definition)),
  ];
}

/** What a change of a kind did, for the log. */
export function sentenceOfKindChange(before: KindDefinition, after: KindDefinition): string {
  const verb = before.published === after.published ? 'Changed' : after.published ? 'Published' : 'Unpublished';
  return `${verb} ${after.many}`;
}

/** A page that stands by itself keeps its address, and the part of it that a kind could take. */
function addressIssues({ slug }: KindDefinition, structure: Structure): Issue[] {
  const isTaken = addressesOfPages(structure).some((address) => address.split('/')[0] === slug);
  return isTaken ? [issue('kind.slug-taken', { slug }, { field: 'slug' })] : [];
}

/** Link ends come and go with their link, not with a definition of a kind. */
function linkEndIssues(labels: readonly string[]): Issue[] {
  return labels.length === 0 ? [] : [issue('link.ends', { labels: labels.join(', ') }, { field: 'fields' })];
}
