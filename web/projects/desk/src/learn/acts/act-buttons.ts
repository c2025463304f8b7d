import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { SessionStore } from '@plindo/api';
import type { LearnAct } from '@plindo/core/learn';
import { actWords, isForOwners } from './act-words';
import { LearnActs } from './learn-acts';

/** What can be done about something learned, as buttons and links. */
@Component({
  selector: 'pl-act-buttons',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (act of allowed(); track $index) {
      @if (act.do !== 'go') {
        <button class="link-button" type="button" [attr.aria-label]="words(act) + ': ' + about()" (click)="run(act)">
          {{ words(act) }}
        </button>
      } @else if (act.on === 'desk') {
        <a class="link-button" [routerLink]="act.path">{{ act.words }}</a>
      } @else {
        <a class="link-button" [href]="act.path" target="_blank" rel="noopener">{{ act.words }}</a>
      }
    }
    @if (isLeftToOwners()) {
      <span class="quiet">Ask an owner of the site: only owners change how a kind is arranged.</span>
    }
  `,
  styles: `
    a {
      display: inline-flex;
      align-items: center;
      text-decoration: underline;
    }
  `,
})
export class ActButtons {
  readonly acts = input.required<readonly LearnAct[]>();
  /** What it is about, for those who hear the page. */
  readonly about = input.required<string>();
  readonly acted = output<void>();

  private readonly session = inject(SessionStore);
  private readonly service = inject(LearnActs);
  protected readonly words = actWords;
  protected readonly allowed = computed(() => this.acts().filter((act) => this.session.isOwner() || !isForOwners(act)));
  protected readonly isLeftToOwners = computed(() => this.acts().length > 0 && this.allowed().length === 0);

  protected run(act: LearnAct): void {
    this.service.run(act, () => this.acted.emit());
  }
}
