import type { CalendarSpan } from '../../time/index.js';
import { withoutUndefined } from '../fields/field.js';

/** From what it is counted when a listing leaves. */
export type CountedFrom = CountedFromField | CountedFromMoment | CountedFromPublishing;

export interface CountedFromField {
  readonly by: 'field';
  /** Key of a field with a date, a moment, or a range of them. */
  readonly field: string;
  /** Of a range: where it begins or where it ends. */
  readonly rangeEnd: 'from' | 'to';
  /** Of a day without a time: its start or its end in the zone of the site. */
  readonly dayEdge: 'start' | 'end';
}

/** The same moment for all listings. */
export interface CountedFromMoment {
  readonly by: 'moment';
  /** As moments are kept: "2026-12-04T18:00Z". */
  readonly at: string;
}

export interface CountedFromPublishing {
  readonly by: 'publishing';
}

/** Statuses that a listing can get when it leaves. */
export const LEFT_STATUSES = ['hidden', 'draft', 'binned'] as const;
export type LeftStatus = (typeof LEFT_STATUSES)[number];

/** Whether a notice goes out by itself as soon as there is one, or together with others once a day. */
export const NOTICE_MANNERS = ['at-once', 'daily'] as const;
export type NoticeManner = (typeof NOTICE_MANNERS)[number];

/** What happens to a listing that leaves. */
export type Deed =
  | { readonly act: 'set-status'; readonly status: LeftStatus }
  /** For good, without the bin. */
  | { readonly act: 'delete' }
  | {
      readonly act: 'categorise';
      /** Key of a field of categories. */
      readonly field: string;
      readonly add: readonly string[];
      readonly remove: readonly string[];
      /** Whether all others go. */
      readonly replaces: boolean;
    }
  | { readonly act: 'feature'; readonly featured: boolean }
  /** A value as its field keeps it; null for none. */
  | { readonly act: 'set-field'; readonly field: string; readonly value: unknown }
  | {
      readonly act: 'tell';
      /** Checked e-mail addresses. */
      readonly to: readonly string[];
      /** Keys of e-mail fields of the listing, whose addresses are told as well. */
      readonly fields: readonly string[];
      readonly manner: NoticeManner;
    };

export type DeedName = Deed['act'];

/** One consequence of leaving. */
export interface Consequence {
  /** Tells it from the others of its rule, whatever else is changed of it. */
  readonly key: string;
  /** How many days after it leaves this happens; 0 for at once, below 0 for before, which only telling can. */
  readonly days: number;
  readonly deed: Deed;
}

/** When the listings of a kind leave the site by themselves, and what then happens to them. */
export interface ExpiryRule {
  /** Whether listings follow it that don't say otherwise. */
  readonly byDefault: boolean;
  readonly countedFrom: CountedFrom;
  readonly offset: CalendarSpan;
  /** Whether the address of one that has left says that it is over, instead of that there is nothing. */
  readonly saysOver: boolean;
  /** In the order in which they happen, those of one day among one another. */
  readonly consequences: readonly Consequence[];
}

export const MOST_CONSEQUENCES = 20;
/** How many days before or after a listing leaves something can happen at most. */
export const MOST_DAYS = 3650;
export const MOST_ADDRESSES = 20;

export type DeedSketch = Partial<Omit<typeof NO_DEED, 'act'>> & Pick<Deed, 'act'>;
export type ConsequenceSketch = Partial<Omit<Consequence, 'deed'>> & { readonly deed: DeedSketch };

export type ExpirySketch = Partial<Omit<ExpiryRule, 'countedFrom' | 'consequences'>> & {
  readonly countedFrom: Pick<CountedFrom, 'by'> & Partial<Omit<CountedFromField, 'by'> & Omit<CountedFromMoment, 'by'>>;
  readonly consequences?: readonly ConsequenceSketch[];
};

/** A rule with every property at its plain default but those given. */
export function makeExpiryRule(given: ExpirySketch): ExpiryRule {
  return {
    byDefault: given.byDefault ?? true,
    countedFrom: makeCountedFrom(given.countedFrom),
    offset: { amount: given.offset?.amount ?? 0, unit: given.offset?.unit ?? 'day' },
    saysOver: given.saysOver ?? false,
    consequences: (given.consequences ?? []).map((one, at) => ({
      key: one.key ?? `c${at + 1}`,
      days: one.days ?? 0,
      deed: makeDeed(one.deed),
    })),
  };
}

function makeCountedFrom(given: ExpirySketch['countedFrom']): CountedFrom {
  if (given.by === 'moment') return { by: 'moment', at: given.at ?? '' };
  if (given.by === 'publishing') return { by: 'publishing' };
  const { field = '', rangeEnd = 'to', dayEdge = 'end' } = given;
  return { by: 'field', field, rangeEnd, dayEdge };
}

/** A deed with what its act needs and nothing else. */
export function makeDeed(given: DeedSketch): Deed {
  const all = { ...NO_DEED, ...withoutUndefined(given) };
  const { act, status, field, add, remove, replaces, featured, value, to, fields, manner } = all;
  switch (act) {
    case 'delete':
      return { act };
    case 'categorise':
      return { act, field, add, remove, replaces };
    case 'feature':
      return { act, featured };
    case 'set-field':
      return { act, field, value };
    case 'tell':
      return { act, to, fields, manner };
    default:
      return { act: 'set-status', status };
  }
}

const NO_DEED = {
  act: 'set-status' as DeedName,
  status: 'hidden' as LeftStatus,
  field: '',
  add: [] as readonly string[],
  remove: [] as readonly string[],
  replaces: false,
  featured: false,
  value: null as unknown,
  to: [] as readonly string[],
  fields: [] as readonly string[],
  manner: 'at-once' as NoticeManner,
};

/** The categories that listings get by the rule of their kind when they leave, by the key of the field. */
export function pastCategories({
  expiry,
}: {
  readonly expiry: ExpiryRule | null;
}): { field: string; category: string }[] {
  return (expiry?.consequences ?? []).flatMap(({ deed }) =>
    deed.act === 'categorise' ? deed.add.map((category) => ({ field: deed.field, category })) : [],
  );
}
