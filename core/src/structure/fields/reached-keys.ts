import type { Condition } from '../conditions/condition.js';
import { isGroup, isLinkTest } from '../conditions/condition.js';
import type { Facet } from '../facets/facet.js';
import type { KindById } from '../facets/facet-field.js';
import { reachedKind } from '../facets/facet-field.js';
import type { Kind } from '../kinds/kind.js';
import type { SelectionDefinition } from '../selections/selection.js';

/** A field that gets another key. */
export interface KeyChange {
  readonly kindId: number;
  readonly from: string;
  readonly to: string;
}

/** The facets of another kind after a field that they reach, or go through, has got another key. */
export function facetsWithKeyRenamed(kind: Kind, change: KeyChange, kindById: KindById): readonly Facet[] {
  return kind.facets.map((facet) => {
    const isOver = facet.field === change.from && isReached(kind, facet.through, change.kindId, kindById);
    const through = facet.through.map((key, at) => {
      const leadsOn = key === change.from && isReached(kind, facet.through.slice(0, at), change.kindId, kindById);
      return leadsOn ? change.to : key;
    });
    return { ...facet, through, field: isOver ? change.to : facet.field };
  });
}

function isReached(kind: Kind, through: readonly string[], kindId: number, kindById: KindById): boolean {
  const reached = reachedKind(kind, through, kindById);
  return reached !== null && 'id' in reached && reached.id === kindId;
}

/** A selection after a field of one of its kinds, or of one that it reaches, has got another key. */
export function selectionWithKeyRenamed<Subject extends SelectionDefinition>(
  selection: Subject,
  change: KeyChange,
  kindById: KindById,
): Subject {
  const kinds = selection.kinds.map(kindById).filter((kind) => kind !== undefined);
  const isOwn = kinds.some(({ id }) => id === change.kindId);
  const renamed = (key: string): string => (isOwn && key === change.from ? change.to : key);
  return {
    ...selection,
    where: { ...selection.where, of: selection.where.of.map((part) => renamedIn(part, kinds, change, kindById)) },
    order: selection.order.map((step) =>
      isOwn && step.by === `field:${change.from}` ? { ...step, by: `field:${change.to}` as const } : step,
    ),
    grouping: selection.grouping && {
      ...selection.grouping,
      field: renamed(selection.grouping.field),
      endField: renamed(selection.grouping.endField),
    },
  };
}

function renamedIn(condition: Condition, kinds: readonly Kind[], change: KeyChange, kindById: KindById): Condition {
  if (isGroup(condition)) {
    return { ...condition, of: condition.of.map((part) => renamedIn(part, kinds, change, kindById)) };
  }
  const isOwn = kinds.some(({ id }) => id === change.kindId);
  if (!isLinkTest(condition)) {
    return isOwn && condition.field === change.from ? { ...condition, field: change.to } : condition;
  }
  const reached = kinds.flatMap((kind) => {
    const to = kind.fields.find(({ key }) => key === condition.link)?.settings.linked?.kindId;
    return (to === undefined ? undefined : kindById(to)) ?? [];
  });
  const link = isOwn && condition.link === change.from ? change.to : condition.link;
  return { link, where: renamedIn(condition.where, reached, change, kindById) };
}
