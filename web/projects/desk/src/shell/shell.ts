import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SessionApi, SessionStore } from '@plindo/api';
import { Icon } from '@plindo/listing-view';

interface Stage {
  readonly path: string;
  readonly label: string;
  readonly does: string;
}

/** The signed-in side: the bar with the stages, and the page below it. */
@Component({
  selector: 'pl-desk',
  imports: [Icon, MatButtonModule, MatMenuModule, RouterLink, RouterLinkActive, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (session()?.user; as user) {
      <header>
        <a class="name" routerLink="/shape">{{ session()?.site?.name }}</a>
        <nav aria-label="Stages">
          @for (stage of stages; track stage.path) {
            <a
              [routerLink]="'/' + stage.path"
              routerLinkActive="here"
              [ariaCurrentWhenActive]="true"
              [title]="stage.does"
            >
              {{ stage.label }}
            </a>
          }
        </nav>
        <a class="see" href="/" target="_blank" rel="noopener"><pl-icon name="open_in_new" />See the site</a>
        <button matButton [matMenuTriggerFor]="account">{{ user.name }}</button>
        <mat-menu #account="matMenu">
          <a mat-menu-item routerLink="/run">Access and settings</a>
          <button mat-menu-item (click)="signOut()">Sign out</button>
        </mat-menu>
      </header>
    }
    <main><router-outlet /></main>
  `,
  styleUrl: './shell.scss',
})
export class Shell {
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);
  private readonly store = inject(SessionStore);

  protected readonly session = computed(() => this.store.session());
  protected readonly stages: readonly Stage[] = [
    { path: 'shape', label: 'Shape', does: 'Which kinds of listing there are, and their fields' },
    { path: 'fill', label: 'Fill', does: 'Enter and correct listings' },
    { path: 'arrange', label: 'Arrange', does: 'Facets, sort choices, cards and pages' },
    { path: 'run', label: 'Run', does: 'What was changed, access and settings' },
  ];

  protected signOut(): void {
    this.api.signOut().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }
}
