import type { LearnAct } from '@plindo/core/learn';

/** What the button of an act says. */
export function actWords(act: LearnAct): string {
  switch (act.do) {
    case 'add-word':
      return 'Say what it means …';
    case 'take-off-facet':
      return 'Take the facet off';
    case 'take-off-sort':
      return 'Take the sort choice off';
    case 'keep-longer':
      return 'Let it stay longer …';
    case 'feature':
      return 'Feature it';
    case 'go':
      return act.words;
  }
}

/** What only owners may do, as it changes how a kind is arranged. */
export function isForOwners(act: LearnAct): boolean {
  return act.do === 'add-word' || act.do === 'take-off-facet' || act.do === 'take-off-sort';
}
