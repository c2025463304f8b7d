import type { Field, LinkSide, LinkedField } from '../fields/field.js';
import type { Kind, KindDefinition } from '../kinds/kind.js';

/** One end of a link: the kind whose listings have it, the field that shows it, and whether it may hold many. */
export interface LinkEnd {
  readonly kindId: number;
  readonly field: string;
  /** Whether one listing of this kind may be connected with many of the other. */
  readonly many: boolean;
}

/** A two-ended relation between kinds (which may be the same). Its connections are kept once and read from both ends. */
export interface Link {
  readonly id: number;
  readonly version: number;
  readonly a: LinkEnd;
  readonly b: LinkEnd;
  /** Whether a connection can carry a note ("Tuesdays only"). */
  readonly hasNotes: boolean;
}

export function otherSide(side: LinkSide): LinkSide {
  return side === 'a' ? 'b' : 'a';
}

/** The link that a field is an end of, and which. */
export function linkOfField(field: Field, links: readonly Link[]): { link: Link; side: LinkSide } | null {
  const link = links.find(({ id }) => id === field.settings.link);
  return field.type === 'link' && link ? { link, side: field.settings.side ?? 'a' } : null;
}

/** The kind with what its link fields need to know of their links. */
export function withLinks<Subject extends Pick<KindDefinition, 'fields'>>(
  kind: Subject,
  links: readonly Link[],
): Subject {
  if (!kind.fields.some(({ type }) => type === 'link')) return kind;
  const fields = kind.fields.map((field) => {
    const found = linkOfField(field, links);
    if (!found) return field;
    const { link, side } = found;
    const linked: LinkedField = {
      kindId: link[otherSide(side)].kindId,
      many: link[side].many,
      hasNotes: link.hasNotes,
    };
    return { ...field, settings: { ...field.settings, linked } };
  });
  return { ...kind, fields };
}

/** The kind as it is kept: without what is known from its links. */
export function withoutLinks<Subject extends Pick<KindDefinition, 'fields'>>(kind: Subject): Subject {
  return {
    ...kind,
    fields: kind.fields.map((field) => {
      if (field.type !== 'link') return field;
      const { linked: _, choices: __, ...settings } = field.settings;
      return { ...field, settings };
    }),
  };
}

/** The link ends that a new definition of a kind would lose or take on, which only changes of links may do. */
export function linkFieldsChanged(
  before: Pick<KindDefinition, 'fields'>,
  after: Pick<KindDefinition, 'fields'>,
): string[] {
  const endsOf = ({ fields }: Pick<KindDefinition, 'fields'>): Map<string, Field> =>
    new Map(
      fields
        .filter(({ type }) => type === 'link')
        .map((field) => [`${field.key} ${field.settings.link} ${field.settings.side}`, field]),
    );
  const [was, is] = [endsOf(before), endsOf(after)];
  const changed = [...was, ...is].filter(([end]) => !was.has(end) || !is.has(end));
  return [...new Set(changed.map(([, { label }]) => label))];
}

/** The links in which a kind takes part. */
export function linksOfKind({ id }: Pick<Kind, 'id'>, links: readonly Link[]): Link[] {
  return links.filter(({ a, b }) => a.kindId === id || b.kindId === id);
}
