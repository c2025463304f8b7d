import type { Changed, User } from '@plindo/core/contract';
import type { Blueprint, BlueprintPlan } from '@plindo/core/exchange';
import { blueprintOf, hashesIn, planBlueprint } from '@plindo/core/exchange';
import type { Listing } from '@plindo/core/listings';
import type { CategorySet } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Store } from '../../store/index.js';
import { BlueprintApplying } from './blueprint-applying.js';
import type { BroughtThings } from './blueprint-zip.js';
import { NOTHING_BROUGHT } from './blueprint-zip.js';
import type { Editing } from '../editing.js';
import { noteAsExamples } from '../listings/examples.js';

/** The structure of the site as a document: saved, compared, and applied as a whole or not at all. */
export class Blueprints {
  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
  ) {}

  async save(withListings: boolean): Promise<Blueprint> {
    const { site, sets: categorySets, kinds, links, selections, designs } = await this.store.structure();
    const structure = { site, categorySets, kinds, links, selections, designs };
    if (!withListings) return blueprintOf(structure);
    const listings: Listing[] = [];
    for (const { id } of kinds) for await (const stretch of this.store.listingsOf(id)) listings.push(...stretch);
    return blueprintOf({ ...structure, content: { listings, connections: await this.store.connections() } });
  }

  /** What applying it would do, with the pictures and files that come with it. */
  async plan(blueprint: Blueprint, brought: BroughtThings = NOTHING_BROUGHT): Promise<BlueprintPlan> {
    const kept = await this.keptHashes(blueprint, brought);
    return planBlueprint(blueprint, await this.save(false), (hash) => kept.has(hash));
  }

  /** Applies a blueprint in one change. What is here and not in it stays as it is. */
  async apply(
    user: User,
    blueprint: Blueprint,
    brought: BroughtThings = NOTHING_BROUGHT,
  ): Promise<Changed<BlueprintPlan>> {
    const plan = await this.plan(blueprint, brought);
    const added = await brought.keep(new Set(hashesIn(blueprint)));
    try {
      return await this.editing.change(user, async (unit) => {
        await new BlueprintApplying(unit, blueprint).apply();
        return { sentence: `Applied the blueprint of ${blueprint.site.name}`, result: plan };
      });
    } catch (error) {
      // Whole or not at all: what came for it goes again.
      await this.store.pictures.forget(added);
      await this.store.files.forget(added);
      throw error;
    }
  }

  /** Applies a blueprint of which nothing is here yet, its listings as examples; `sentence` tells the log what was done. */
  async begin(user: User, blueprint: Blueprint, sentence: string): Promise<Changed<BlueprintPlan>> {
    const plan = await this.plan(blueprint);
    return this.editing.change(user, async (unit) => {
      refuseIfTaken(blueprint, unit.structure);
      const applying = new BlueprintApplying(unit, blueprint);
      await applying.apply();
      await noteAsExamples(unit, applying.brought);
      return { sentence, result: plan };
    });
  }

  /** Of the pictures and files that a blueprint names, those that are here or come with it. */
  private async keptHashes(blueprint: Blueprint, { hashes } = NOTHING_BROUGHT): Promise<Set<string>> {
    const kept = new Set<string>();
    for (const hash of new Set(hashesIn(blueprint))) {
      if (hashes.has(hash)) kept.add(hash);
      else if ((await this.store.pictures.find(hash)) ?? (await this.store.files.find(hash))) kept.add(hash);
    }
    return kept;
  }
}

/** Refuses with `starter.taken` what begins with a kind, or a category set, that is there already. */
export function refuseIfTaken(
  { kinds, categorySets }: Pick<Blueprint, 'kinds' | 'categorySets'>,
  here: { readonly kinds: readonly { readonly slug: string }[]; readonly sets: readonly CategorySet[] },
): void {
  const takenKind = kinds.find(({ slug }) => here.kinds.some((own) => own.slug === slug));
  const takenSet = categorySets.find(({ slug }) => here.sets.some((own) => own.slug === slug));
  if (takenKind) throw Refusal.of('starter.taken', { what: `a kind at /${takenKind.slug}` });
  if (takenSet) throw Refusal.of('starter.taken', { what: `a category set called “${takenSet.label}”` });
}
