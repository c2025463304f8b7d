import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { CategoryMove } from '@plindo/core/contract';
import type { Category, CategorySet, CategorySetDefinition, Picture } from '@plindo/core/structure';
import {
  branchOf,
  categoryByKey,
  depthOf,
  withCategoriesMerged,
  withCategoryAdded,
  withCategoryChanged,
  withCategoryMoved,
  withCategoryRemoved,
  withListPasted,
} from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { PictureControl } from '../../shared/controls/picture-control';
import { CategorySetsStore } from '../../shared/category-sets-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { KIND_ICONS } from '../kind-icons';
import type { SplitData, SplitResult } from './split-dialog';
import { SplitDialog } from './split-dialog';

const TYPING_PAUSE_IN_MS = 800;

interface Row {
  readonly category: Category;
  readonly depth: number;
  readonly count: number;
}

/** One category set as a tree. Every act is saved at once and can be undone. */
@Component({
  selector: 'pl-category-page',
  imports: [DragDropModule, Icon, KindList, MatButtonModule, MatMenuModule, PictureControl, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './category-page.html',
  styleUrl: './category-page.scss',
})
export class CategoryPage {
  /** From the address; "new" for a set that is being made. */
  readonly setId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialog);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(CategorySetsStore);

  protected readonly icons = KIND_ICONS;
  protected readonly summary = computed(() => this.store.sets()?.find(({ set }) => String(set.id) === this.setId()));
  protected readonly set = computed(() => this.summary()?.set);
  protected readonly isNew = computed(() => this.setId() === 'new');
  protected readonly rows = computed((): readonly Row[] => {
    const summary = this.summary();
    if (!summary) return [];
    const { set, counts } = summary;
    return set.categories.map((category) => ({
      category,
      depth: depthOf(set, category.key),
      count: counts[category.key] ?? 0,
    }));
  });
  /** From the address: key of the category to be shown. */
  readonly category = input<string>();
  private readonly typedPicture = signal<{ readonly key: string; readonly picture: Picture | null } | null>(null);
  private typing: ReturnType<typeof setTimeout> | undefined;
  private readonly chosenKey = linkedSignal((): string | null => this.category() ?? null);
  protected readonly chosen = computed(() => {
    const [set, key] = [this.set(), this.chosenKey()];
    return (set && key !== null && categoryByKey(set, key)) || null;
  });
  /** The category whose merging is being pointed out; the next one chosen is the target. */
  protected readonly merging = signal<Category | null>(null);

  constructor() {
    void this.kinds.reload();
    void this.store.reload();
  }

  protected choose(category: Category): void {
    const from = this.merging();
    if (!from) {
      this.chosenKey.set(category.key);
      return;
    }
    this.merging.set(null);
    const set = this.set();
    if (!set || from.key === category.key) return;
    if (branchOf(set, from.key).some(({ key }) => key === category.key)) {
      this.notices.said(`${category.label} lies under ${from.label}; move it out first.`);
      return;
    }
    this.save(withCategoriesMerged(set, from.key, category.key), `Merged ${from.label} into ${category.label}`);
  }

  protected make(label: string, list: string): void {
    const blank: CategorySetDefinition = { slug: '', label: label.trim(), categories: [] };
    this.api.addCategorySet(withListPasted(blank, list, null)).subscribe({
      next: ({ changeId, result }) => {
        void this.store
          .reload()
          .then(() => void this.router.navigate(['/shape/categories', result.id], { replaceUrl: true }));
        this.notices.changed(`Added ${result.label}`, changeId, () => this.leave());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected rename(label: string): void {
    const set = this.set();
    if (set && label.trim() !== '' && label !== set.label)
      this.save({ ...set, label: label.trim() }, `Renamed to ${label}`);
  }

  protected add(label: string, parent: string | null): void {
    const set = this.set();
    if (set && label.trim() !== '') this.save(withCategoryAdded(set, label, parent), `Added ${label.trim()}`);
  }

  protected addBelow(category: Category): void {
    const label = prompt(`What is the category under ${category.label} called?`);
    if (label) this.add(label, category.key);
  }

  protected paste(text: string): void {
    const set = this.set();
    if (!set || text.trim() === '') return;
    const pasted = withListPasted(set, text, null);
    const added = pasted.categories.length - set.categories.length;
    this.save(pasted, added === 1 ? 'Added one category' : `Added ${added} categories`);
  }

  protected change(category: Category, change: Partial<Omit<Category, 'key' | 'parent'>>): void {
    const set = this.set();
    if (set) this.save(withCategoryChanged(set, category.key, change), `Changed ${change.label ?? category.label}`);
  }

  protected pictureOf(category: Category): Picture | null {
    const typed = this.typedPicture();
    return typed?.key === category.key ? typed.picture : category.picture;
  }

  /** Another picture is saved at once; its words and its focus point when they have not changed for a moment. */
  protected changePicture(category: Category, picture: Picture | null): void {
    clearTimeout(this.typing);
    const isOther = picture?.hash !== this.pictureOf(category)?.hash;
    this.typedPicture.set({ key: category.key, picture });
    const save = (): void => {
      this.typedPicture.set(null);
      this.change(category, { picture });
    };
    if (isOther) save();
    else this.typing = setTimeout(save, TYPING_PAUSE_IN_MS);
  }

  /** Dropped between two rows: it goes before the lower one, beside it in the tree. */
  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const set = this.set();
    const moved = this.rows()[previousIndex]?.category;
    if (!set || !moved || previousIndex === currentIndex) return;
    const others = this.rows().filter((_, at) => at !== previousIndex);
    const next = others[currentIndex]?.category;
    this.move(moved, next?.parent ?? null, next?.key ?? null);
  }

  protected step(category: Category, by: -1 | 1): void {
    const siblings = this.siblingsOf(category);
    const at = siblings.findIndex(({ key }) => key === category.key);
    const before = by < 0 ? siblings[at - 1] : siblings[at + 2];
    if (by < 0 ? at > 0 : at < siblings.length - 1) this.move(category, category.parent, before?.key ?? null);
  }

  /** Under the category before it, or out of the one that it lies in. */
  protected indent(category: Category): void {
    const siblings = this.siblingsOf(category);
    const above = siblings[siblings.findIndex(({ key }) => key === category.key) - 1];
    if (above) this.move(category, above.key, null);
  }

  protected outdent(category: Category): void {
    const set = this.set();
    const parent = set && category.parent !== null ? categoryByKey(set, category.parent) : undefined;
    if (!parent) return;
    const siblings = this.siblingsOf(parent);
    const next = siblings[siblings.findIndex(({ key }) => key === parent.key) + 1];
    this.move(category, parent.parent, next?.key ?? null);
  }

  protected split(row: Row): void {
    const set = this.set();
    const usedBy = this.summary()?.usedBy ?? [];
    if (!set) return;
    this.dialog
      .open<SplitDialog, SplitData, SplitResult>(SplitDialog, {
        data: { category: row.category, usedBy },
        width: '34rem',
      })
      .afterClosed()
      .subscribe((result) => {
        if (!result) return;
        const { parent, key } = row.category;
        const split = withCategoryAdded(set, result.label, parent);
        const to = split.categories.find((own) => !categoryByKey(set, own.key))?.key ?? '';
        const move: CategoryMove = { from: key, to, listings: result.listings };
        this.save(split, `Split ${result.label} from ${row.category.label}`, move);
      });
  }

  protected remove({ category, count }: Row): void {
    const set = this.set();
    const goes = count === 0 ? 'No listing has it.' : `${count} listings lose it.`;
    if (!set || !confirm(`Delete ${category.label}? ${goes} What lies under it moves up.`)) return;
    this.save(withCategoryRemoved(set, category.key), `Deleted ${category.label}`);
  }

  protected removeSet(set: CategorySet): void {
    if (!confirm(`Delete the category set ${set.label} with its ${set.categories.length} categories?`)) return;
    this.api.removeCategorySet(set.id).subscribe({
      next: ({ changeId }) => {
        this.leave();
        this.notices.changed(`Deleted ${set.label}`, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private move(category: Category, parent: string | null, before: string | null): void {
    const set = this.set();
    if (!set) return;
    const moved = withCategoryMoved(set, category.key, parent, before);
    if (moved !== set) this.save(moved, `Moved ${category.label}`);
  }

  private siblingsOf({ parent }: Category): Category[] {
    return (this.set()?.categories ?? []).filter((own) => own.parent === parent);
  }

  private save(definition: CategorySetDefinition, sentence: string, move?: CategoryMove): void {
    const set = this.set();
    if (!set) return;
    this.api.saveCategorySet({ ...definition, id: set.id, version: set.version }, move).subscribe({
      next: ({ changeId }) => {
        void this.store.reload();
        void this.kinds.reload();
        this.notices.changed(sentence, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => {
        this.notices.refused(error);
        void this.store.reload();
      },
    });
  }

  private leave(): void {
    void this.store.reload();
    void this.router.navigate(['/shape']);
  }
}
