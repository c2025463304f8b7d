import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import { Notices } from '../shared/notices';

/** Name, tagline, language and time zone of the site. */
@Component({
  selector: 'pl-site-panel',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.session()?.user?.role === 'owner') {
      <form class="panel" (submit)="save($event)">
        <h2>The site</h2>
        <div class="parts">
          @for (part of parts; track part.name) {
            <mat-form-field>
              <mat-label>{{ part.label }}</mat-label>
              <input matInput [name]="part.name" [value]="store.session()?.site?.[part.name] ?? ''" />
              @if (part.hint) {
                <mat-hint>{{ part.hint }}</mat-hint>
              }
            </mat-form-field>
          }
        </div>
        @if (refused()) {
          <p class="issues" role="alert">{{ refused() }}</p>
        }
        <div class="button-row">
          <button matButton="outlined" type="submit">Save the site’s settings</button>
        </div>
      </form>
    }
  `,
  styles: `
    form {
      display: grid;
      gap: 0.75rem;
    }
    .parts {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
      align-items: start;
      gap: 0.75rem;
    }
  `,
})
export class SitePanel {
  protected readonly store = inject(SessionStore);
  protected readonly refused = signal('');
  protected readonly parts = [
    { name: 'name', label: 'Name', hint: '' },
    { name: 'tagline', label: 'Sentence under the name', hint: '' },
    {
      name: 'locale',
      label: 'Language',
      hint: 'A tag such as en-GB or pt-PT: how numbers and dates are written and sorted',
    },
    { name: 'zone', label: 'Time zone', hint: 'Such as Europe/Lisbon' },
  ] as const;
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);

  protected save(event: Event): void {
    event.preventDefault();
    const form = new FormData(event.target as HTMLFormElement);
    const part = (name: string): string => String(form.get(name) ?? '').trim();
    const settings = { name: part('name'), tagline: part('tagline'), locale: part('locale'), zone: part('zone') };
    this.api.saveSite(settings).subscribe({
      next: ({ changeId }) => {
        this.refused.set('');
        this.api.load().subscribe();
        this.notices.changed('Changed the settings of the site', changeId, () => this.api.load().subscribe());
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
