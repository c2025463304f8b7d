import { computed, signal } from '@angular/core';
import type { DesignStep } from '@plindo/core/design';
import { afterStep, reversed } from '@plindo/core/design';
import { isSame } from '@plindo/core/values';

/** A step that was taken; those with the same mark that follow one another are one, as while a word is being typed. */
interface TakenStep {
  readonly step: DesignStep;
  readonly mark: string | null;
}

/** A design that is being worked on, with the steps that were taken, to be undone and done again. */
export class DesignHistory<Design> {
  readonly design;
  private readonly done = signal<readonly TakenStep[]>([]);
  private readonly undone = signal<readonly TakenStep[]>([]);
  private readonly kept;

  /** What would be undone and done again next, in words; null for nothing. */
  readonly undoWords = computed(() => this.done().at(-1)?.step.words ?? null);
  readonly redoWords = computed(() => this.undone().at(-1)?.step.words ?? null);
  /** Whether the design is another one than the one that is kept. */
  readonly isChanged = computed(() => !isSame(this.design(), this.kept()));

  constructor(begun: Design, kept: Design = begun) {
    this.design = signal(begun);
    this.kept = signal(kept);
  }

  /** Tells what is kept now. */
  keep(kept: Design): void {
    this.kept.set(kept);
  }

  take(step: DesignStep | null, mark: string | null = null): void {
    if (!step) return;
    const last = this.done().at(-1);
    const isSame = mark !== null && last?.mark === mark && last.step.act === 'set' && step.act === 'set';
    const taken = isSame ? { mark, step: { ...step, before: (last.step as typeof step).before } } : { mark, step };
    this.done.update((steps) => [...(isSame ? steps.slice(0, -1) : steps), taken]);
    this.undone.set([]);
    this.design.update((design) => afterStep(design, step));
  }

  /** Puts another state of the design in its place; it is a step like any other. */
  replace(after: Design, words: string): void {
    this.take({ act: 'set', at: [], before: this.design(), after, words });
  }

  undo(): void {
    const last = this.done().at(-1);
    if (!last) return;
    this.done.update((steps) => steps.slice(0, -1));
    this.undone.update((steps) => [...steps, last]);
    this.design.update((design) => afterStep(design, reversed(last.step)));
  }

  redo(): void {
    const last = this.undone().at(-1);
    if (!last) return;
    this.undone.update((steps) => steps.slice(0, -1));
    this.done.update((steps) => [...steps, { ...last, mark: null }]);
    this.design.update((design) => afterStep(design, last.step));
  }
}
