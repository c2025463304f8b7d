import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import type { Field, Link } from '@plindo/core/structure';
import { otherSide } from '@plindo/core/structure';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

/** The link that a field is an end of: its limits, and deleting it as a whole. */
@Component({
  selector: 'pl-link-settings',
  imports: [MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (link(); as own) {
      <p>
        Linked with <a [routerLink]="['/shape', otherKind()?.id]">{{ otherKind()?.many }}</a>, where it is called
        <strong>{{ otherLabel() }}</strong>.
      </p>
      <label
        ><input
          type="checkbox"
          [checked]="own[side()].many"
          (change)="change(own, side(), $any($event.target).checked)"
        />
        Many {{ otherKind()?.many }} here</label
      >
      <label
        ><input
          type="checkbox"
          [checked]="own[other()].many"
          (change)="change(own, other(), $any($event.target).checked)"
        />
        Many of these there</label
      >
      <label
        ><input
          type="checkbox"
          [checked]="own.hasNotes"
          (change)="save({ aMany: own.a.many, bMany: own.b.many, hasNotes: $any($event.target).checked })"
        />
        Connections have notes</label
      >
      <p><button matButton type="button" (click)="remove()">Delete the link at both ends …</button></p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
  `,
})
export class LinkSettings {
  readonly field = input.required<Field>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly store = inject(KindsStore);
  private readonly links = signal<readonly Link[]>([]);
  protected readonly link = computed(() => this.links().find(({ id }) => id === this.field().settings.link));
  protected readonly side = computed(() => this.field().settings.side ?? 'a');
  protected readonly other = computed(() => otherSide(this.side()));
  protected readonly otherKind = computed(
    () => this.store.kinds()?.find(({ kind }) => kind.id === this.link()?.[this.other()].kindId)?.kind,
  );
  protected readonly otherLabel = computed(
    () => this.otherKind()?.fields.find(({ key }) => key === this.link()?.[this.other()].field)?.label ?? '',
  );

  constructor() {
    this.load();
  }

  protected change(link: Link, side: 'a' | 'b', many: boolean): void {
    const limits = { aMany: link.a.many, bMany: link.b.many, hasNotes: link.hasNotes };
    this.save({ ...limits, [`${side}Many`]: many });
  }

  protected save(limits: { readonly aMany: boolean; readonly bMany: boolean; readonly hasNotes: boolean }): void {
    const link = this.link();
    if (!link) return;
    this.api.changeLink(link, limits).subscribe({
      next: ({ changeId }) => {
        this.load();
        void this.store.reload();
        this.notices.changed('Changed the link', changeId, () => this.load());
      },
      error: (error: unknown) => {
        this.notices.refused(error);
        this.load();
      },
    });
  }

  protected remove(): void {
    const link = this.link();
    if (
      !link ||
      !confirm(`Delete the link with ${this.otherKind()?.many}, its connections and its fields at both ends?`)
    )
      return;
    this.api.removeLink(link.id).subscribe({
      next: ({ changeId, result }) => {
        void this.store.reload();
        this.notices.changed(
          `Deleted the link with ${result.connections} connections`,
          changeId,
          () => void this.store.reload(),
        );
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private load(): void {
    this.api.links().subscribe((links) => this.links.set(links));
  }
}
