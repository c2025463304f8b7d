import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RunApi, SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import type { ZoneEffects } from '@plindo/core/contract';
import type { SiteSettings } from '@plindo/core/structure';
import { Notices } from '../shared/notices';
import { EffectsPanel } from './expiry/effects-panel';

/** Name, tagline, language and time zone of the site. */
@Component({
  selector: 'pl-site-panel',
  imports: [EffectsPanel, MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.isOwner()) {
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
          <label class="idle">
            <span>Sign people out when they have done nothing for</span>
            <select class="plain-select" name="idleHours">
              @for (one of idle; track one.hours) {
                <option [value]="one.hours" [selected]="one.hours === (store.session()?.site?.idleHours ?? 12)">
                  {{ one.label }}
                </option>
              }
            </select>
          </label>
          <label class="step">
            <input type="checkbox" name="ownersNeedStep" [checked]="store.session()?.site?.ownersNeedStep === true" />
            <span>Owners need a second step: without one they can do nothing but turn it on</span>
          </label>
        </div>
        @if (zonePlan(); as plan) {
          <div class="zone" role="status">
            <strong>The new zone moves when listings leave:</strong>
            @for (one of plan; track one.kindId) {
              <h3>{{ one.many }}</h3>
              <pl-effects-panel [effects]="one.effects" [kindId]="one.kindId" [many]="one.many" />
            }
            <div class="button-row">
              <button matButton="filled" class="next-step" type="button" (click)="send()">
                Save with the new zone
              </button>
              <button matButton type="button" (click)="zonePlan.set(null)">Don’t save</button>
            </div>
          </div>
        }
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
    .zone {
      display: grid;
      gap: 0.75rem;
      padding: 1rem;
      border: 1px solid var(--pl-warm);
      border-radius: var(--pl-corner);
      background: var(--pl-warm-wash);
    }
    .idle {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
      min-block-size: 3rem;
    }
    .step {
      display: flex;
      gap: 0.5rem;
      align-items: baseline;
      min-block-size: 3rem;
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
    {
      name: 'address',
      label: 'Address',
      hint: 'Where the site stands, such as https://guide.example; for links in mails',
    },
  ] as const;
  protected readonly idle = [
    { hours: 1, label: 'an hour' },
    { hours: 4, label: '4 hours' },
    { hours: 12, label: '12 hours' },
    { hours: 24, label: 'a day' },
    { hours: 168, label: 'a week' },
  ];
  /** What another zone would do, before it is saved; null where nothing is asked. */
  protected readonly zonePlan = signal<readonly ZoneEffects[] | null>(null);
  private typed: Partial<SiteSettings> = {};
  private readonly run = inject(RunApi);
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);

  protected save(event: Event): void {
    event.preventDefault();
    const form = new FormData(event.target as HTMLFormElement);
    const part = (name: string): string => String(form.get(name) ?? '').trim();
    const zone = part('zone');
    const idleHours = Number(part('idleHours'));
    const ownersNeedStep = form.has('ownersNeedStep');
    const rest = { address: part('address').replace(/\/$/, ''), idleHours, ownersNeedStep };
    this.typed = { name: part('name'), tagline: part('tagline'), locale: part('locale'), zone, ...rest };
    this.zonePlan.set(null);
    if (zone === this.store.session()?.site?.zone) return this.send();
    // What another zone does is shown before it is done.
    this.run.planZone(zone).subscribe({
      next: (plan) => {
        this.refused.set('');
        const moving = plan.filter(({ effects }) => Object.values(effects.turns).some((count) => count > 0));
        if (moving.length === 0) this.send();
        else this.zonePlan.set(moving);
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected send(): void {
    this.zonePlan.set(null);
    this.api.saveSite(this.typed).subscribe({
      next: ({ changeId }) => {
        this.refused.set('');
        this.api.load().subscribe();
        this.notices.changed('Changed the settings of the site', changeId, () => this.api.load().subscribe());
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
