import type { Design } from '../design/index.js';
import { isPublished, ownWords } from '../design/index.js';
import type {
  CategorySet,
  Kind,
  KindDefinition,
  Link,
  Selection,
  SiteSettings,
  StoredKind,
} from '../structure/index.js';
import { completeDefinition, completeKind } from '../structure/index.js';
import { SiteWords } from '../values/index.js';

/** The records that a structure is made of, each list in the order of ids. */
export interface StructureRecords {
  /** Tells one from another: later ones have a greater number. */
  readonly version: number;
  readonly site: SiteSettings;
  readonly kinds: readonly StoredKind[];
  /** Kinds of imports that are still running: nobody sees them, but their names are taken. */
  readonly coming: readonly StoredKind[];
  readonly sets: readonly CategorySet[];
  readonly links: readonly Link[];
  readonly selections: readonly Selection[];
  readonly designs: readonly Design[];
}

/** How a site is made at one moment: its kinds, complete, its category sets, links, selections, designs and settings. Immutable. */
export class Structure {
  readonly version: number;
  readonly site: SiteSettings;
  /** In the order of their ids. */
  readonly kinds: readonly Kind[];
  readonly sets: readonly CategorySet[];
  readonly links: readonly Link[];
  readonly selections: readonly Selection[];
  /** What visitors see, and what they do not see yet. */
  readonly allDesigns: readonly Design[];
  /** What visitors see. */
  readonly designs: readonly Design[];
  /** Designs that visitors do not see yet. */
  readonly drafts: readonly Design[];
  /** Kinds whose names are taken though nobody sees them yet. */
  readonly coming: readonly Kind[];
  /** What the site says to visitors. */
  readonly words: SiteWords;
  private readonly byId: ReadonlyMap<number, Kind>;

  constructor(records: StructureRecords) {
    const { sets, links } = records;
    const complete = (kind: StoredKind): Kind => completeKind(kind, sets, links);
    this.version = records.version;
    this.site = records.site;
    this.kinds = records.kinds.map(complete);
    this.coming = records.coming.map(complete);
    this.sets = sets;
    this.links = links;
    this.selections = records.selections;
    this.allDesigns = records.designs;
    this.designs = records.designs.filter(isPublished);
    this.drafts = records.designs.filter((design) => !isPublished(design));
    this.words = new SiteWords(records.site.locale, ownWords(records.site.locale, this.designs));
    this.byId = new Map(this.kinds.map((kind) => [kind.id, kind]));
  }

  kind(id: number): Kind | undefined {
    return this.byId.get(id);
  }

  set(id: number): CategorySet | undefined {
    return this.sets.find((set) => set.id === id);
  }

  link(id: number): Link | undefined {
    return this.links.find((link) => link.id === id);
  }

  /** All kinds that another one must not clash with; `besides` is itself. */
  kindsBesides(id: number | null): Kind[] {
    return [...this.kinds, ...this.coming].filter((kind) => kind.id !== id);
  }

  /** Gives kinds by their numbers. */
  readonly kindById = (id: number): Kind | undefined => this.byId.get(id);

  design(id: number): Design | undefined {
    return this.allDesigns.find((design) => design.id === id);
  }

  setsBesides(id: number | null): CategorySet[] {
    return this.sets.filter((set) => set.id !== id);
  }

  selectionsBesides(id: number | null): Selection[] {
    return this.selections.filter((selection) => selection.id !== id);
  }

  /** A definition with what its fields take from the category sets and links, whatever was sent for that. */
  complete<Subject extends Pick<KindDefinition, 'fields'>>(definition: Subject): Subject {
    return completeDefinition(definition, this.sets, this.links);
  }
}
