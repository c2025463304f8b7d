import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { DesignsApi } from '@plindo/api';
import type { KeptLook } from '@plindo/core/design';
import { looksOf, paletteOf } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { Notices } from '../../shared/notices';

/** The looks that a site can have; the first one is what visitors see. */
@Component({
  selector: 'pl-looks-page',
  imports: [Icon, KindList, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './looks-page.html',
  styleUrl: './looks-page.scss',
})
export class LooksPage {
  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly notices = inject(Notices);

  protected readonly isRead = computed(() => this.designs.designs() !== null);
  protected readonly looks = computed(() =>
    looksOf(this.designs.designs() ?? []).map((kept) => {
      const { paper, ink, accent, signal, warmWash } = paletteOf(kept.definition).light;
      return { kept, colours: [paper, ink, accent, signal, warmWash] };
    }),
  );

  constructor() {
    void this.designs.reload();
  }

  protected wear({ id, definition: { name } }: KeptLook): void {
    this.notices.tellAndShow(this.api.makeMain(id), `Made ${name} the look of the site`, () => this.reload());
  }

  protected remove({ id, definition: { name } }: KeptLook): void {
    this.notices.tellAndShow(this.api.remove(id), `Deleted the look ${name}`, () => this.reload());
  }

  private reload(): void {
    void this.designs.reload();
  }
}
