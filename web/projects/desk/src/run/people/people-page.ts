import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { PeopleApi, SessionStore, sentenceOf } from '@plindo/api';
import type { InvitationSummary, OneTimeLink, People, PersonSummary, Role } from '@plindo/core/contract';
import { ROLES } from '@plindo/core/contract';
import { CopyLine } from '../../shared/copy-line';
import { partsOf } from '../../shared/form-parts';
import { KindList } from '../../shared/kind-list';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { ROLE_WORDS } from '../../shared/role-words';
import { DoorLog } from './door-log';

/** A link that was just made, and for whom. */
interface MadeLink extends OneTimeLink {
  readonly email: string;
  readonly does: string;
}

/** Who works here: invitations, roles, and who came in. */
@Component({
  selector: 'pl-people-page',
  imports: [
    CopyLine,
    DoorLog,
    KindList,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './people-page.html',
  styleUrl: './people-page.scss',
})
export class PeoplePage {
  private readonly api = inject(PeopleApi);
  private readonly notices = inject(Notices);
  private readonly session = inject(SessionStore);
  private readonly reading = inject(Reading);

  protected readonly roles = ROLES;
  protected readonly words = ROLE_WORDS;
  protected readonly found = signal<People | null>(null);
  protected readonly failure = signal('');
  protected readonly refused = signal('');
  protected readonly made = signal<MadeLink | null>(null);
  /** Goes up when something happened that the log of the door tells. */
  protected readonly acts = signal(0);
  protected readonly ownId = computed(() => this.session.session()?.user?.id ?? 0);

  constructor() {
    this.load();
  }

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  protected invite(event: Event): void {
    event.preventDefault();
    const form = event.target as HTMLFormElement;
    const part = partsOf(event);
    const email = part('email').trim();
    this.api.invite({ email, name: part('name').trim(), role: part('role') as Role }).subscribe({
      next: (link) => {
        this.refused.set('');
        this.made.set({ ...link, email, does: 'With this link they choose a password and begin.' });
        form.reset();
        this.load();
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected inviteAgain({ email, name, role }: InvitationSummary): void {
    this.api.invite({ email, name, role }).subscribe({
      next: (link) => {
        this.made.set({ ...link, email, does: 'Only this new link works from now on.' });
        this.load();
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected withdraw({ id }: InvitationSummary): void {
    this.act(this.api.withdraw(id), 'The invitation does not work any more.');
  }

  protected setRole(person: PersonSummary, role: Role, select: HTMLSelectElement): void {
    this.act(
      this.api.change(person.id, { role }),
      `${person.name} is ${ROLE_WORDS[role].label} now.`,
      () => (select.value = person.role),
    );
  }

  protected setOff(person: PersonSummary, isOff: boolean): void {
    const sentence = isOff ? `${person.name} can’t sign in any more.` : `${person.name} can sign in again.`;
    this.act(this.api.change(person.id, { isOff }), sentence);
  }

  protected erase(person: PersonSummary): void {
    const what = `Erase the name and address of ${person.name} for good? What they did stays in the log, by “Somebody who left”.`;
    if (!confirm(`${what} Backups of before still have them.`)) return;
    this.act(this.api.erase(person.id), 'Their name and address are erased.');
  }

  protected passwordLink(person: PersonSummary): void {
    this.api.passwordLink(person.id).subscribe({
      next: (link) => {
        this.made.set({ ...link, email: person.email, does: 'With this link they choose another password.' });
        this.acts.update((acts) => acts + 1);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private act(sent: ReturnType<PeopleApi['change']>, sentence: string, refused?: () => void): void {
    sent.subscribe({
      next: () => {
        this.notices.said(sentence);
        this.load();
      },
      error: (error: unknown) => {
        refused?.();
        this.notices.refused(error);
      },
    });
  }

  private load(): void {
    this.acts.update((acts) => acts + 1);
    this.api.all().subscribe({
      next: (found) => this.found.set(found),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }
}
