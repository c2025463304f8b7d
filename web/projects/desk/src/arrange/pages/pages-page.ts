import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { DesignsApi } from '@plindo/api';
import type { KeptPage } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { SelectionsStore } from '../../shared/selections-store';
import { pageSections } from './page-rows';

/** All pages of the site: those that were designed, and those that Plindo makes; each leads to the designer. */
@Component({
  selector: 'pl-pages-page',
  imports: [Icon, KindList, MatButtonModule, MatMenuModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pages-page.html',
  styleUrl: './pages-page.scss',
})
export class PagesPage {
  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly selections = inject(SelectionsStore);

  protected readonly sections = computed(() => {
    const [kinds, designs, selections] = [this.kinds.kinds(), this.designs.designs(), this.selections.selections()];
    if (!kinds || !designs || !selections) return [];
    const known = { kinds: kinds.map(({ kind }) => kind), selections: selections.map(({ selection }) => selection) };
    return pageSections({ ...known, designs, words: this.reading.context().formats.words });
  });

  constructor() {
    void this.kinds.reload();
    void this.designs.reload();
    void this.selections.reload();
  }

  protected remove({ id, definition: { name } }: KeptPage): void {
    this.notices.tellAndShow(this.api.remove(id), `Deleted the page ${name}`, () => void this.designs.reload());
  }
}
