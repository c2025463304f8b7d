import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { DesignsApi } from '@plindo/api';
import type { DesignVersion } from '@plindo/core/contract';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';

/** The states that a design had; one that is chosen comes into the designer, and becomes the design once it is saved. */
@Component({
  selector: 'pl-versions-menu',
  imports: [MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton [matMenuTriggerFor]="menu" (click)="load()">Earlier versions</button>
    <mat-menu #menu>
      @for (version of versions(); track $index; let isLatest = $first) {
        <button mat-menu-item (click)="chosen.emit(version)">
          <span class="label">{{ momentOf(version) }}{{ isLatest ? ', as it is kept' : '' }}</span>
          <span class="about">{{ version.who }}: {{ version.sentence }}</span>
        </button>
      } @empty {
        <button mat-menu-item disabled>{{ isRead() ? 'There are none.' : 'They are being read.' }}</button>
      }
    </mat-menu>
  `,
  styles: `
    .label,
    .about {
      display: block;
      line-height: 1.4;
    }
    .label {
      padding-block-start: 0.375rem;
    }
    .about {
      padding-block-end: 0.375rem;
      color: var(--pl-quiet);
      font-size: 0.875rem;
    }
  `,
})
export class VersionsMenu {
  readonly designId = input.required<number>();
  readonly chosen = output<DesignVersion>();

  private readonly api = inject(DesignsApi);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  protected readonly versions = signal<readonly DesignVersion[]>([]);
  protected readonly isRead = signal(false);

  protected load(): void {
    this.api.versions(this.designId()).subscribe({
      next: (versions) => {
        this.versions.set(versions);
        this.isRead.set(true);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected momentOf({ at }: DesignVersion): string {
    return this.reading.context().formats.moment(Date.parse(at));
  }
}
