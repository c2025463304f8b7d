import type { LearnStep } from './acts.js';
import type { LearnSource } from './learn-source.js';
import type { ShownDesign } from './tables/designs-shown.js';
import { designerPath } from './tables/designs-shown.js';
import type { LeavingListing, ViewedListing } from './tables/listings-viewed.js';
import { feature, keepLonger, risingListings } from './tables/listings-viewed.js';
import type { UsedChoice } from './tables/choices.js';
import { LEAST_LOOKS, actOnFacet, actOnSort, isNeverUsed } from './tables/choices.js';
import type { CountedOfList } from './tables/searches.js';
import { actsOnDeadEnd, actsOnMissed, chosenWords } from './tables/searches.js';

/** Something has to happen this often before it is worth a sentence. */
const LEAST_TIMES = 3;
/** The most steps of one sort, and of all. */
const MOST_OF_A_SORT = 2;
const MOST_STEPS = 8;
const SOON_IN_DAYS = 7;
const LONG_IN_MS = 3 * 86_400_000;

/** What the tables of a report say, as far as steps come of it. */
export interface Told {
  readonly viewed: readonly ViewedListing[];
  readonly leaving: readonly LeavingListing[];
  readonly facets: readonly UsedChoice[];
  readonly sorts: readonly UsedChoice[];
  readonly missed: readonly CountedOfList[];
  readonly deadEnds: readonly CountedOfList[];
  readonly designs: readonly ShownDesign[];
}

/** What a publisher can do about the numbers: the most pressing step of each sort, then the next ones. */
export function nextSteps(source: LearnSource, told: Told): LearnStep[] {
  const sorts = [
    missedSteps(told.missed),
    leavingSteps(source, told.leaving),
    waitingSteps(source),
    deadEndSteps(source, told.deadEnds),
    unusedSteps(told.facets, 'facet'),
    risingSteps(source, told.viewed),
    unusedSteps(told.sorts, 'sort choice'),
    designSteps(told.designs),
  ];
  const inTurns = Array.from({ length: MOST_OF_A_SORT }, (_, at) => sorts.flatMap((steps) => steps.slice(at, at + 1)));
  return inTurns.flat().slice(0, MOST_STEPS);
}

function missedSteps(missed: readonly CountedOfList[]): LearnStep[] {
  return often(missed).map((one) => ({
    sentence: `${one.now} people searched ${one.list.name} for “${one.detail}” and found nothing.`,
    acts: actsOnMissed(one),
  }));
}

function leavingSteps({ kindById, scene }: LearnSource, leaving: readonly LeavingListing[]): LearnStep[] {
  const { words } = scene.context.formats;
  return leaving
    .filter(({ inDays, views }) => inDays <= SOON_IN_DAYS && views >= LEAST_TIMES)
    .map(({ listing, views, place, inDays }) => {
      const one = words.inSentence(kindById(listing.kindId)?.one ?? 'listing');
      const when = inDays <= 0 ? 'today' : inDays === 1 ? 'tomorrow' : `in ${inDays} days`;
      const seen = place === 1 ? `is your most viewed ${one}` : `was looked at ${views} times`;
      return { sentence: `“${listing.title}” leaves ${when} and ${seen}.`, acts: [keepLonger(listing)] };
    });
}

function waitingSteps({ sent, scene }: LearnSource): LearnStep[] {
  const { nowInMs } = scene.context;
  const long = sent.filter(({ state, createdAt }) => state === 'waiting' && nowInMs - createdAt >= LONG_IN_MS);
  if (long.length === 0) return [];
  const sentence =
    long.length === 1
      ? 'One submission has waited for more than three days.'
      : `${long.length} submissions have waited for more than three days.`;
  return [{ sentence, acts: [{ do: 'go', on: 'desk', path: '/run/review', words: 'Review what came in' }] }];
}

function deadEndSteps(source: LearnSource, deadEnds: readonly CountedOfList[]): LearnStep[] {
  return often(deadEnds).map((one) => ({
    sentence: `${one.now} people found nothing in ${one.list.name} with ${chosenWords(source, one)}.`,
    acts: actsOnDeadEnd(one),
  }));
}

function unusedSteps(choices: readonly UsedChoice[], what: 'facet' | 'sort choice'): LearnStep[] {
  return choices
    .filter((one) => one.list.isOfKind && isNeverUsed(one))
    .map((one) => ({
      sentence: `Nobody used the ${what} “${one.label}” in ${one.looks} visits to ${one.list.name}.`,
      acts: [what === 'facet' ? actOnFacet(one) : actOnSort(one)],
    }));
}

function risingSteps(source: LearnSource, viewed: readonly ViewedListing[]): LearnStep[] {
  return risingListings(source, viewed)
    .filter(({ listing }) => !listing.isFeatured)
    .map(({ listing, now, before }) => ({
      sentence: `“${listing.title}” was looked at ${now} times, ${before === 0 ? 'and not at all' : `up from ${before}`} before.`,
      acts: [feature(listing)],
    }));
}

function designSteps(designs: readonly ShownDesign[]): LearnStep[] {
  const pages = designs.filter(({ thing }) => thing.what === 'page');
  const all = pages.reduce((sum, { now }) => sum + now, 0);
  if (all < LEAST_LOOKS) return [];
  return pages
    .filter(({ thing, now }) => now === 0 && thing.uses.length > 0)
    .map(({ thing }) => ({
      sentence: `Nobody saw a page by your design “${thing.name}”.`,
      acts: [{ do: 'go', on: 'desk', path: designerPath(thing), words: 'Look at the design' }],
    }));
}

function often(counted: readonly CountedOfList[]): CountedOfList[] {
  return counted.filter(({ now }) => now >= LEAST_TIMES);
}
