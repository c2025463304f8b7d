import { computed, signal } from '@angular/core';

/** Which rows of the table are chosen. A range goes from the last row that was chosen to the next one. */
export class RowSelection {
  private readonly chosen = signal<ReadonlySet<number>>(new Set());
  private anchor: number | null = null;

  readonly ids = computed(() => [...this.chosen()]);
  readonly size = computed(() => this.chosen().size);

  has(id: number): boolean {
    return this.chosen().has(id);
  }

  /** Chooses or leaves a row; with `range` all rows between it and the one before. `idAt` gives the row at an index. */
  toggle(index: number, range: boolean, idAt: (index: number) => number | undefined): void {
    const id = idAt(index);
    if (id === undefined) return;
    const ids = new Set(this.chosen());
    const isChosen = !ids.has(id);
    const [from, to] =
      range && this.anchor !== null ? [Math.min(this.anchor, index), Math.max(this.anchor, index)] : [index, index];
    for (let at = from; at <= to; at++) {
      const one = idAt(at);
      if (one === undefined) continue;
      if (isChosen) ids.add(one);
      else ids.delete(one);
    }
    this.anchor = index;
    this.chosen.set(ids);
  }

  choose(ids: Iterable<number>): void {
    this.chosen.set(new Set(ids));
  }

  clear(): void {
    this.anchor = null;
    this.chosen.set(new Set());
  }
}
