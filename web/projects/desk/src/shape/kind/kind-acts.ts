import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { Router } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { Kind } from '@plindo/core/structure';
import { firstFreeSlug } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

/** What can be done with a kind as a whole: copy it, put it aside, delete it. */
@Component({
  selector: 'pl-kind-acts',
  imports: [Icon, MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton type="button" [matMenuTriggerFor]="acts" [attr.aria-label]="'More for ' + kind().many">
      <pl-icon name="more_vert" />More
    </button>
    <mat-menu #acts="matMenu">
      <button mat-menu-item (click)="copy()">Copy the kind</button>
      <button mat-menu-item (click)="putAside()">{{ kind().putAside ? 'Take it back up' : 'Put it aside' }}</button>
      <button mat-menu-item (click)="remove()">Delete the kind …</button>
    </mat-menu>
  `,
})
export class KindActs {
  readonly kind = input.required<Kind>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);

  /** A kind with the same fields and no listings, not published. */
  protected copy(): void {
    const { id: _, version: __, ...definition } = this.kind();
    const names = (this.store.kinds() ?? []).flatMap(({ kind }) => [kind.one, kind.many]);
    const free = (name: string): string => {
      const copies = [name, ...Array.from({ length: 99 }, (_unused, at) => `${name} ${at + 2}`)];
      return copies.find((candidate) => !names.includes(candidate)) ?? name;
    };
    const slugs = (this.store.kinds() ?? []).map(({ kind }) => kind.slug);
    const slug = firstFreeSlug(definition.slug, (candidate) => slugs.includes(candidate));
    // The ends of links belong to their links, and stay behind.
    const fields = definition.fields.filter(({ type }) => type !== 'link');
    const links = definition.fields.filter(({ type }) => type === 'link').map(({ key }) => key);
    const facets = definition.facets.filter(({ field }) => !links.includes(field));
    const copy = {
      ...definition,
      fields,
      facets,
      one: free(definition.one),
      many: free(definition.many),
      slug,
      published: false,
    };
    this.api.addKind(copy).subscribe({
      next: ({ changeId, result }) => {
        void this.store.reload().then(() => void this.router.navigate(['/shape', result.id]));
        this.notices.changed(`Copied to ${result.many}`, changeId, () => this.goHome());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected putAside(): void {
    const kind = this.kind();
    const sentence = kind.putAside ? `Took ${kind.many} back up` : `Put ${kind.many} aside`;
    this.api.saveKind({ ...kind, putAside: !kind.putAside }).subscribe({
      next: ({ changeId }) => {
        void this.store.reload();
        this.notices.changed(sentence, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected remove(): void {
    const kind = this.kind();
    const counts = this.store.kinds()?.find((entry) => entry.kind.id === kind.id)?.counts;
    const listings = Object.values(counts ?? {}).reduce((sum: number, count) => sum + count, 0);
    const goes = `${kind.fields.length} fields, ${kind.facets.length} facets and ${listings.toLocaleString()} listings`;
    if (!confirm(`Delete ${kind.many}? ${goes} go with it. It can be undone.`)) return;
    this.api.removeKind(kind.id).subscribe({
      next: ({ changeId }) => {
        this.goHome();
        this.notices.changed(`Deleted ${kind.many}`, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private goHome(): void {
    void this.store.reload();
    void this.router.navigate(['/shape']);
  }
}
