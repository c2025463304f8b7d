import type { Changed, SiteStarterSummary, User } from '@plindo/core/contract';
import type { Blueprint, BlueprintPlan } from '@plindo/core/exchange';
import type { Drawing, SiteStarter } from '@plindo/core/site-starters';
import { SITE_STARTERS, blueprintOfStarter, findSiteStarter, valleyMap } from '@plindo/core/site-starters';
import type { Picture } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Files } from '../media/files.js';
import type { Pictures } from '../media/pictures.js';
import type { Blueprints } from './blueprints.js';
import { refuseIfTaken } from './blueprints.js';

/** Whole sites to begin with, and taking one of them. */
export class SiteStarters {
  constructor(
    private readonly live: Live,
    private readonly pictures: Pictures,
    private readonly files: Files,
    private readonly blueprints: Blueprints,
  ) {}

  all(): SiteStarterSummary[] {
    return SITE_STARTERS.map((starter) => {
      const { kinds, listings } = starter.site({ pictureOf: pictureAsDrawn(starter), today: this.today() });
      const examplesOf = (slug: string): number => listings.filter(({ kind }) => kind === slug).length;
      const { name, label, purpose } = starter;
      return { name, label, purpose, kinds: kinds.map(({ many, slug }) => ({ many, examples: examplesOf(slug) })) };
    });
  }

  /**
   * Takes a starter with its examples, in one change. Refused with `starter.taken` where a kind, or a category set, has
   * an address that the starter wants. Refused by `request.not-found`.
   */
  async take(user: User, name: string): Promise<Changed<BlueprintPlan>> {
    const starter = findSiteStarter(name);
    if (!starter) throw Refusal.of('request.not-found');
    // Before its pictures are drawn, which nobody would miss.
    const scene = { pictureOf: pictureAsDrawn(starter), today: this.today() };
    refuseIfTaken(starter.site(scene), { kinds: this.live.kinds(), sets: this.live.categorySets() });
    return this.blueprints.begin(user, await this.blueprintOf(starter), `Began with “${starter.label}”`);
  }

  /** Its pictures are drawn, and kept. */
  private async blueprintOf(starter: SiteStarter): Promise<Blueprint> {
    const kept = new Map<string, Picture>();
    await Promise.all(starter.drawings.map(async (drawing) => kept.set(drawing.name, await this.kept(drawing))));
    const isEmpty = this.live.kinds().length === 0;
    const baseMap = await this.files.add(Buffer.from(JSON.stringify(valleyMap())), 'valley.geojson');
    const scene = { pictureOf: (name: string): Picture => kept.get(name)!, today: this.today() };
    return blueprintOfStarter(starter, scene, { site: this.live.site(), isEmpty, baseMap });
  }

  private async kept({ name, svg, alt, focus }: Drawing): Promise<Picture> {
    const { hash, width, height } = await this.pictures.addDrawing(svg, `${name}.png`);
    return { hash, width, height, alt, ...(focus && { focus }) };
  }

  private today(): string {
    return new Date(this.live.nowInMs()).toISOString().slice(0, 10);
  }
}

/** Pictures that are not kept yet: for what only looks at what a starter brings. */
function pictureAsDrawn({ drawings }: SiteStarter): (name: string) => Picture {
  return (name) => {
    const { width, height, alt } = drawings.find((drawing) => drawing.name === name)!;
    return { hash: '', width, height, alt };
  };
}
