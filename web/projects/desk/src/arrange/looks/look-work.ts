import { computed } from '@angular/core';
import type { ColourName, LookDesign, Palette } from '@plindo/core/design';
import { checkLook, paletteOf } from '@plindo/core/design';
import { DesignHistory } from '../design/design-history';

export type Scheme = keyof Palette;

/** A look that is being designed. */
export class LookWork {
  readonly history: DesignHistory<LookDesign>;
  readonly look;
  readonly issues = computed(() => checkLook(this.look()));
  /** The colours that it comes to. */
  readonly colours = computed(() => paletteOf(this.look()));

  constructor(begun: LookDesign, kept: LookDesign) {
    this.history = new DesignHistory(begun, kept);
    this.look = this.history.design;
  }

  /** Changes one thing; changes of the same thing one after the other are one step. */
  set<Key extends keyof LookDesign>(key: Key, after: LookDesign[Key], mark: string = key): void {
    this.history.take({ act: 'set', at: [key], before: this.look()[key], after, words: 'Changed the look' }, mark);
  }

  /** Gives a colour of its own, or with '' that of the palette. */
  setColour(scheme: Scheme, name: ColourName, colour: string): void {
    this.set(scheme, { ...this.look()[scheme], [name]: colour }, `${scheme} ${name}`);
  }
}
