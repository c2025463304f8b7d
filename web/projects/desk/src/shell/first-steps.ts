import type { KindSummary } from '@plindo/core/contract';

/** A step from an empty Desk to a live directory. */
export interface FirstStep {
  /** The stage that it belongs to, by its path. */
  readonly stage: 'shape' | 'fill' | 'arrange' | 'run';
  readonly isDone: boolean;
  readonly link: string;
  /** What is to be done, as a link says it. */
  readonly todo: string;
  readonly why: string;
  /** Whether the directory is live without it too. */
  readonly canWait: boolean;
}

/** The steps in their order, each with why it comes there; none once all that can't wait is done. */
export function firstSteps(kinds: readonly KindSummary[] | null): readonly FirstStep[] {
  if (!kinds) return [];
  const totalOf = ({ counts }: KindSummary): number => Object.values(counts).reduce((sum, count) => sum + count, 0);
  const first = kinds[0]?.kind;
  const filled = kinds.find((kind) => totalOf(kind) > 0)?.kind ?? first;
  const steps: FirstStep[] = [
    {
      stage: 'shape',
      isDone: kinds.length > 0,
      link: '/shape',
      todo: 'Say what you list',
      why: 'Everything else hangs on it: what a listing tells decides what visitors can search, filter by and compare.',
      canWait: false,
    },
    {
      stage: 'fill',
      isDone: kinds.some((kind) => totalOf(kind) > 0),
      link: first ? `/fill/${first.id}` : '/fill',
      todo: 'Add listings',
      why: 'Filters and cards can only be judged with real listings. A dozen are enough to go on with.',
      canWait: false,
    },
    {
      stage: 'arrange',
      isDone: kinds.some(({ kind }) => kind.published),
      link: filled ? `/arrange/${filled.id}` : '/arrange',
      todo: 'Look at the page and publish it',
      why: 'Until then nobody but you sees it. You can publish early: everything can still be changed afterwards.',
      canWait: false,
    },
    {
      stage: 'run',
      isDone: kinds.some(({ kind }) => kind.expiry !== null),
      link: first ? `/run/expiry/${first.id}` : '/run',
      todo: 'Say when listings leave',
      why: 'Only what is over has to leave: courses, offers, events. If yours stay, you need none of it.',
      canWait: true,
    },
  ];
  return steps.every(({ isDone, canWait }) => isDone || canWait) ? [] : steps;
}
