import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { Link } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import type { Field } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { CategorySetsStore } from '../../shared/category-sets-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { structureMap } from './structure-map';

const STEP = 1.25;
const SMALLEST = 0.3;
const LARGEST = 2;

/** The structure as a drawn map; every box, field and line leads to where it is changed. */
@Component({
  selector: 'pl-map-page',
  imports: [Icon, KindList, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './map-page.html',
  styleUrl: './map-page.scss',
})
export class MapPage {
  private readonly api = inject(CatalogApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly sets = inject(CategorySetsStore);
  private readonly links = signal<readonly Link[] | null>(null);

  protected readonly scale = signal(1);
  protected readonly map = computed(() => {
    const [kinds, sets, links] = [this.kinds.kinds(), this.sets.sets(), this.links()];
    return kinds && sets && links ? structureMap(kinds, sets, links) : null;
  });

  constructor() {
    void this.kinds.reload();
    void this.sets.reload();
    this.api.links().subscribe({
      next: (links) => this.links.set(links),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected iconOf({ type }: Field): string {
    return fieldType(type).icon;
  }

  protected zoom(steps: number): void {
    this.scale.update((scale) => Math.min(LARGEST, Math.max(SMALLEST, scale * STEP ** steps)));
  }

  /** Makes the whole map fit into the space that it has. */
  protected fit({ clientWidth, clientHeight }: HTMLElement): void {
    const map = this.map();
    if (!map) return;
    const scale = Math.min(clientWidth / map.width, clientHeight / map.height, 1);
    this.scale.set(Math.max(SMALLEST, scale));
  }
}
