import { Location } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SessionApi, SessionStore } from '@plindo/api';
import { Icon } from '@plindo/listing-view';
import { debounceTime, filter } from 'rxjs';
import { CategorySetsStore } from '../shared/category-sets-store';
import { KindsStore } from '../shared/kinds-store';
import { DeskEvents, OTHERS_PAUSE_IN_MS } from '../shared/desk-events';
import { Notices } from '../shared/notices';
import { ProblemCount } from '../shared/problem-count';
import { SubmissionCount } from '../shared/submission-count';
import { UndoStack } from '../shared/undo-stack';
import { GuidePages } from '../guide/guide-pages';
import { GuidePanel } from '../guide/guide-panel';
import { FirstPath } from './first-path';
import { WorkMenu } from './work-menu';

interface Stage {
  readonly path: string;
  readonly label: string;
  readonly does: string;
}

const STAGES: readonly Stage[] = [
  { path: 'shape', label: 'Shape', does: 'Which kinds of listing there are, and their fields' },
  { path: 'fill', label: 'Fill', does: 'Enter and correct listings' },
  { path: 'arrange', label: 'Arrange', does: 'Facets, sort choices, cards and pages' },
  { path: 'run', label: 'Run', does: 'What leaves when, who is told, what was changed' },
  { path: 'learn', label: 'Learn', does: 'What visitors look at, choose and search, and what to do about it' },
];

/** The signed-in side: the bar with the stages, and the page below it. */
@Component({
  selector: 'pl-desk',
  imports: [
    FirstPath,
    GuidePanel,
    Icon,
    MatButtonModule,
    MatMenuModule,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    WorkMenu,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (session()?.user; as user) {
      <header>
        <a class="name" routerLink="/shape">{{ session()?.site?.name }}</a>
        <nav aria-label="Stages">
          @for (stage of stages(); track stage.path) {
            <a
              [routerLink]="'/' + stage.path"
              routerLinkActive="here"
              [ariaCurrentWhenActive]="true"
              [title]="stage.does"
            >
              {{ stage.label }}
              @if (stage.path === 'fill' && problems.count()) {
                <span
                  class="count"
                  [title]="problems.count() + (problems.count() === 1 ? ' problem' : ' problems') + ' to look at'"
                >
                  {{ problems.count() > 99 ? '99+' : problems.count()
                  }}<span class="hidden-text"> {{ problems.count() === 1 ? 'problem' : 'problems' }}</span>
                </span>
              }
              @if (stage.path === 'run' && submissions.counts().waiting; as waiting) {
                <span class="count" [title]="waiting + ' to review'">
                  {{ waiting > 99 ? '99+' : waiting }}<span class="hidden-text"> to review</span>
                </span>
              }
            </a>
          }
        </nav>
        <pl-work-menu />
        <button class="bar-button jump" type="button" (click)="jump()">
          <pl-icon name="search" /><span class="wide-words">Jump to … <kbd>Ctrl K</kbd></span>
        </button>
        <span class="steps">
          <button
            type="button"
            aria-label="Undo"
            [title]="undoStack.next() ? 'Undo (Ctrl+Z): ' + undoStack.next()?.sentence : 'Nothing to undo'"
            [disabled]="!undoStack.next()"
            (click)="notices.undo()"
          >
            <pl-icon name="undo" />
          </button>
          <button
            type="button"
            aria-label="Do again"
            [title]="
              undoStack.nextAgain()
                ? 'Do again (Ctrl+Shift+Z): ' + undoStack.nextAgain()?.sentence
                : 'Nothing to do again'
            "
            [disabled]="!undoStack.nextAgain()"
            (click)="notices.redo()"
          >
            <pl-icon name="redo" />
          </button>
        </span>
        <button
          class="help"
          type="button"
          aria-label="Explain this place"
          title="Explain this place"
          [attr.aria-expanded]="guide.shown() !== null"
          (click)="explain()"
        >
          <pl-icon name="help" />
        </button>
        <a class="see" href="/" target="_blank" rel="noopener"
          ><pl-icon name="open_in_new" /><span class="wide-words">See the site</span></a
        >
        <button matButton class="account" [matMenuTriggerFor]="account">
          <pl-icon class="narrow" name="person" /><span class="who wide-words">{{ user.name }}</span>
        </button>
        <mat-menu #account="matMenu">
          <a mat-menu-item routerLink="/me">Your access</a>
          <button mat-menu-item (click)="showShortcuts()">Keys</button>
          <button mat-menu-item (click)="signOut()">Sign out</button>
        </mat-menu>
      </header>
      @if (stages().length) {
        <pl-first-path />
      }
    }
    <div class="area" [class.with-guide]="guide.shown() !== null">
      <main><router-outlet /></main>
      @if (guide.shown() !== null) {
        @defer (on immediate) {
          <pl-guide-panel role="complementary" aria-label="Guide" />
        }
      }
    </div>
  `,
  styleUrl: './shell.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class Shell {
  private readonly api = inject(SessionApi);
  private readonly dialog = inject(MatDialog);
  private readonly kinds = inject(KindsStore);
  private readonly location = inject(Location);
  private readonly router = inject(Router);
  private readonly sets = inject(CategorySetsStore);
  private readonly store = inject(SessionStore);

  protected readonly guide = inject(GuidePages);
  protected readonly problems = inject(ProblemCount);
  protected readonly submissions = inject(SubmissionCount);
  protected readonly notices = inject(Notices);
  protected readonly undoStack = inject(UndoStack);
  /** What was undone on another page may be shown in the lists on the left. */
  private readonly showAnew = effect(() => {
    if (this.undoStack.revision() === 0) return;
    void this.kinds.reload();
    void this.sets.reload();
  });
  private readonly showOthers = inject(DeskEvents)
    .changes.pipe(takeUntilDestroyed(), debounceTime(OTHERS_PAUSE_IN_MS))
    .subscribe(() => {
      void this.kinds.reload();
      void this.sets.reload();
      this.problems.wake();
    });
  private readonly showSent = inject(DeskEvents)
    .all.pipe(
      filter(({ submissions }) => submissions),
      takeUntilDestroyed(),
    )
    .subscribe(() => this.submissions.reload());
  private readonly countProblems = effect(() => {
    if (this.stages().length === 0) return;
    this.problems.wake();
    this.submissions.reload();
  });
  protected readonly session = computed(() => this.store.session());
  /** A contributor sees no listings but their own. */
  protected readonly stages = computed(() => {
    const session = this.session();
    return !session?.user || session.user.role === 'contributor' || session.needsStep ? [] : STAGES;
  });

  /** Keys that serve everywhere; where somebody types, undoing belongs to the text. */
  protected key(event: KeyboardEvent): void {
    if (!this.session()?.user) return;
    const key = event.key.toLowerCase();
    const isCommand = event.ctrlKey || event.metaKey;
    const isFree = !isTyping(event.target) && this.dialog.openDialogs.length === 0;
    if (isCommand && key === 'k') void this.jump();
    else if (isCommand && isFree && key === 'z' && !event.shiftKey) this.notices.undo();
    else if (isCommand && isFree && (key === 'y' || key === 'z')) this.notices.redo();
    else if (!isCommand && isFree && key === '?') void this.showShortcuts();
    else return;
    event.preventDefault();
  }

  protected async jump(): Promise<void> {
    if (this.dialog.openDialogs.length > 0) return;
    const { JumpBox } = await import('./jump/jump-box');
    const position = { top: '12vh' };
    this.dialog.open(JumpBox, { width: '40rem', maxWidth: '95vw', position, ariaLabel: 'Jump to' });
  }

  /** Shows the page of the guide about where one is; once more closes it. */
  protected explain(): void {
    if (this.guide.shown() !== null) this.guide.shown.set(null);
    else void this.guide.showFor(this.location.path()).catch((error: unknown) => this.notices.refused(error));
  }

  protected async showShortcuts(): Promise<void> {
    const { Shortcuts } = await import('./shortcuts');
    this.dialog.open(Shortcuts, { width: '42rem', maxWidth: '95vw' });
  }

  protected signOut(): void {
    this.api.signOut().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }
}

function isTyping(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  return element?.isContentEditable === true || /^(INPUT|TEXTAREA|SELECT)$/.test(element?.tagName ?? '');
}
