import type { Bitset, Catalog, ChoicesColumn } from '../../catalog/index.js';
import type { QueryScene } from './scene.js';

/** One step from the listings of a catalog to those that they are linked with. */
interface Step {
  /** The link field's column: its choices are the slugs of linked listings. */
  readonly column: ChoicesColumn;
  readonly to: Catalog;
  /** By number of a choice, the row of the linked listing; −1 where there is none that visitors see. */
  readonly rowOf: Int32Array;
}

/** The way from the listings of one catalog to those of another, through one or two links. */
export class Reach {
  /** By combination of the first link, the rows that it leads to. */
  private readonly known = new Map<number, readonly number[]>();

  private constructor(
    readonly target: Catalog,
    private readonly steps: readonly Step[],
  ) {}

  /** Null when a field on the way is no link, or leads to a kind that visitors don't see. */
  static along(through: readonly string[], from: Catalog, scene: QueryScene): Reach | null {
    const steps: Step[] = [];
    let catalog = from;
    for (const key of through) {
      const linked = catalog.kind.fields.find((field) => field.key === key)?.settings.linked;
      const column = catalog.column(key);
      const to = linked && scene.catalogOf(linked.kindId);
      if (column?.kind !== 'choices' || !to) return null;
      const onSite = to.onSiteAt(scene.context.nowInMs);
      const rowOf = Int32Array.from(column.keys, (slug) => {
        const row = to.rowOfSlug(slug);
        return row !== undefined && onSite.has(row) ? row : -1;
      });
      steps.push({ column, to, rowOf });
      catalog = to;
    }
    return new Reach(catalog, steps);
  }

  /** By number of a choice of the last link field, whether visitors see the listing that it stands for. */
  visibleChoices(): Uint8Array {
    return Uint8Array.from(this.steps.at(-1)?.rowOf ?? [], (row) => (row >= 0 ? 1 : 0));
  }

  /** The rows that reach one of the target's rows at least. */
  rowsReaching(targets: Bitset): Bitset {
    return this.steps.reduceRight((reached, { column, rowOf }) => {
      const wanted = Uint8Array.from(rowOf, (row) => (row >= 0 && reached.has(row) ? 1 : 0));
      return column.rowsOfCombinations(column.combinations.withAnyOf(wanted));
    }, targets);
  }

  /** Calls `visit` with the rows that each of the given rows reaches, once for all that are linked alike, with their number. */
  forEachGroup(rows: Uint32Array, visit: (targets: readonly number[], count: number) => void): void {
    const { column } = this.steps[0]!;
    const tally = new Map<number, number>();
    for (const row of rows) {
      const combination = column.rows[row]!;
      if (combination !== 0) tally.set(combination, (tally.get(combination) ?? 0) + 1);
    }
    for (const [combination, count] of tally) {
      const targets = this.targetsOfCombination(combination);
      if (targets.length > 0) visit(targets, count);
    }
  }

  /** The rows that a row reaches. */
  targetsOf(row: number): readonly number[] {
    return this.targetsOfCombination(this.steps[0]!.column.rows[row]!);
  }

  private targetsOfCombination(combination: number): readonly number[] {
    let targets = this.known.get(combination);
    if (!targets) {
      const [first, ...others] = this.steps;
      targets = others.reduce(
        (reached, step) => [...new Set(reached.flatMap((row) => reachedFrom(step, step.column.numbersAt(row))))],
        reachedFrom(first!, first!.column.combinations.sequenceOf(combination)),
      );
      this.known.set(combination, targets);
    }
    return targets;
  }
}

function reachedFrom({ rowOf }: Step, numbers: Uint32Array): number[] {
  return Array.from(numbers, (number) => rowOf[number]!).filter((row) => row >= 0);
}
