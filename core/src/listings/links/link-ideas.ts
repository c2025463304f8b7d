import type { Field, Kind } from '../../structure/index.js';
import { foldText } from '../../values/index.js';
import type { Listing } from '../listing.js';
import { NAMING_TYPES, textsOf } from './naming.js';
import { NameIndex } from './name-index.js';

/** A field whose texts look as if they named listings of another kind. */
export interface LinkIdea {
  readonly kindId: number;
  /** Key of the field, and what names the others: "@title", or the key of a field of theirs. */
  readonly field: string;
  readonly otherKindId: number;
  readonly namedBy: string;
  /** How many different texts the field has, and how many of them name a listing. */
  readonly texts: number;
  readonly found: number;
}

/** So many different texts of a field tell what it names. */
const MOST_TEXTS = 2000;
const LEAST_FOUND = 2;
const LEAST_SHARE = 0.6;
/** What names listings tells nearly all of them apart. */
const LEAST_APART = 0.95;

/** What a kind's listings say in a field, in the way that they name others or are named by it. */
interface Column {
  readonly key: string;
  readonly label: string;
  readonly texts: Set<string>;
  readonly names: NameIndex;
  /** Listings that have something there. */
  filled: number;
}

/** A kind with all that its listings say by which they could name others or be named. */
export class NamingKind {
  private readonly columns: readonly Column[];
  private readonly title = column('@title', 'Title');
  private readonly fields: readonly Field[];

  constructor(readonly kind: Kind) {
    this.fields = kind.fields.filter(({ type }) => NAMING_TYPES.includes(type));
    this.columns = this.fields.map(({ key, label }) => column(key, label));
  }

  add(listing: Pick<Listing, 'id' | 'title' | 'values'>): void {
    put(this.title, listing.id, [listing.title]);
    this.fields.forEach((field, at) => put(this.columns[at]!, listing.id, textsOf(listing.values[field.key], field)));
  }

  /** What its fields name among the listings of another kind; the best for each field. */
  ideasAbout(other: NamingKind): LinkIdea[] {
    return this.columns.flatMap((own): LinkIdea[] => {
      const naming = [other.title, ...other.columns.filter((one) => tellsApart(one))];
      const ideas = naming
        .filter((one) => !areNumbers(own) || isAbout(own.label, other.kind, one))
        .map((one) => this.ideaOf(own, other, one))
        .filter((idea): idea is LinkIdea => idea !== null);
      return ideas.sort((a, b) => b.found - a.found).slice(0, 1);
    });
  }

  private ideaOf(own: Column, other: NamingKind, naming: Column): LinkIdea | null {
    let found = 0;
    for (const text of own.texts) if (typeof naming.names.find(text) === 'object') found++;
    const texts = own.texts.size;
    if (found < LEAST_FOUND || found < texts * LEAST_SHARE) return null;
    return { kindId: this.kind.id, field: own.key, otherKindId: other.kind.id, namedBy: naming.key, texts, found };
  }
}

function column(key: string, label: string): Column {
  return { key, label, texts: new Set(), names: new NameIndex(), filled: 0 };
}

function put(to: Column, id: number, texts: readonly string[]): void {
  if (texts.length > 0) to.filled++;
  for (const text of texts) {
    to.names.add(id, text);
    if (to.texts.size < MOST_TEXTS) to.texts.add(text);
  }
}

function tellsApart({ texts, filled }: Column): boolean {
  return filled > 0 && texts.size >= Math.min(filled, MOST_TEXTS) * LEAST_APART;
}

/** Also of texts: channels, sizes and years are like the numbers of anything else. */
function areNumbers({ texts }: Column): boolean {
  let numbers = 0;
  for (const text of texts) if (/^[\d\s.,:/-]+$/.test(text)) numbers++;
  return numbers >= texts.size / 2;
}

/** Numbers say little by themselves, so their label has to speak of the other kind or of what names it: "Town ID". */
function isAbout(label: string, { one, many }: Kind, naming: Column): boolean {
  const own = foldText(label);
  const names = [one, many].map(foldText).filter((name) => name.length > 1);
  return names.some((name) => own.includes(name)) || (naming.key !== '@title' && own === foldText(naming.label));
}
