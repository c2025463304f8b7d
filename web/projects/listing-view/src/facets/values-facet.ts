import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import type { FacetValueModel, ValuesFacetModel } from '@plindo/core/page';
import { foldText } from '@plindo/core/values';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

const SEARCH_INSIDE_FROM = 16;

/** Values to choose among: ticks, a drop-down, chips in a row, letters, yes or no, or a tree of categories. */
@Component({
  selector: 'pl-values-facet',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './values-facet.html',
})
export class ValuesFacet {
  readonly facet = input.required<ValuesFacetModel>();
  /** The id of the form that its controls are part of. */
  readonly form = input.required<string>();
  readonly interactive = input(false);
  protected readonly say = sayOnPage();

  private readonly unfolded = signal(false);
  /** Branches of a tree that the visitor has opened or closed. */
  private readonly branches = signal<ReadonlyMap<string, boolean>>(new Map());
  protected readonly wanted = signal('');

  protected readonly isTree = computed(() => this.facet().control === 'tree');
  protected readonly isLong = computed(() => this.interactive() && this.facet().values.length > SEARCH_INSIDE_FROM);
  protected readonly isUnfolded = computed(() => !this.interactive() || this.unfolded() || this.wanted() !== '');
  protected readonly canUnfold = computed(() => {
    const { values, shownFirst } = this.facet();
    return this.interactive() && !this.isTree() && values.length > shownFirst && this.wanted() === '';
  });
  /** By position, the positions of all values that it lies under; of a tree. */
  private readonly above = computed(() => {
    const path: number[] = [];
    return this.facet().values.map(({ depth }, at) => {
      path.length = depth;
      const own = [...path];
      path.push(at);
      return own;
    });
  });

  protected toggleFold(): void {
    this.unfolded.set(!this.unfolded());
  }

  protected lookFor(text: string): void {
    this.wanted.set(foldText(text.trim()));
  }

  protected hasBranch(at: number): boolean {
    const { values } = this.facet();
    return this.interactive() && this.isTree() && (values[at + 1]?.depth ?? 0) > values[at]!.depth;
  }

  /** A branch is open when the visitor opened it, or something in it is chosen and the visitor didn't close it. */
  protected isOpen(at: number): boolean {
    const own = this.facet().values[at]!;
    const known = this.branches().get(own.value);
    if (known !== undefined) return known;
    return this.facet().values.some(
      (value, other) => value.chosen && (other === at || this.above()[other]!.includes(at)),
    );
  }

  protected toggleBranch(at: number): void {
    const { value } = this.facet().values[at]!;
    this.branches.set(new Map(this.branches()).set(value, !this.isOpen(at)));
  }

  /** Values outside the fold: the first ones, the chosen ones, and those that the search inside names. */
  protected isShown(value: FacetValueModel, at: number): boolean {
    if (this.wanted() !== '') return value.chosen || foldText(value.label).includes(this.wanted());
    if (this.isTree()) return !this.interactive() || this.above()[at]!.every((branch) => this.isOpen(branch));
    return at < this.facet().shownFirst || value.chosen || this.isUnfolded();
  }
}
