import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Consent } from '@plindo/core/design';
import { makeForm } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import type { FormWork } from './form-work';

/** What is said of a form as a whole. */
@Component({
  selector: 'pl-form-settings',
  imports: [Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = work();
    @let form = own.form();
    <label>
      Name, for you
      <input
        class="plain-input"
        maxlength="80"
        [value]="form.name"
        (input)="own.set('name', $any($event.target).value)"
      />
    </label>
    <label>
      What it is for
      <input
        class="plain-input"
        maxlength="300"
        [value]="form.purpose"
        (input)="own.set('purpose', $any($event.target).value)"
      />
    </label>
    <label class="tick">
      <input
        type="checkbox"
        [checked]="form.needsEmail"
        (change)="own.set('needsEmail', $any($event.target).checked)"
      />
      The sender has to give an e-mail address
    </label>
    <fieldset>
      <legend>Consents</legend>
      @for (consent of form.consents; track consent.key; let at = $index) {
        <label>
          In these words
          <textarea
            class="plain-input"
            rows="2"
            maxlength="1000"
            [value]="consent.words"
            (input)="put(at, { words: $any($event.target).value })"
          ></textarea>
        </label>
        <span class="line">
          <label class="tick">
            <input
              type="checkbox"
              [checked]="consent.isRequired"
              (change)="put(at, { isRequired: $any($event.target).checked })"
            />
            Nobody can send without it
          </label>
          <button matButton type="button" aria-label="Remove this consent" (click)="remove(at)">
            <pl-icon name="close" />
          </button>
        </span>
      }
      <button matButton type="button" (click)="add()">Add a consent</button>
    </fieldset>
    <label>
      A listing that you accept becomes
      <select class="plain-select" (change)="own.set('beginsAs', $any($event.target).value)">
        <option value="live" [selected]="form.beginsAs === 'live'">Live</option>
        <option value="draft" [selected]="form.beginsAs === 'draft'">a Draft</option>
      </select>
    </label>
    <label class="tick">
      <input
        type="checkbox"
        [checked]="form.beginsFeatured"
        (change)="own.set('beginsFeatured', $any($event.target).checked)"
      />
      and is featured
    </label>
    <label>
      On the button that sends it
      <input
        class="plain-input"
        maxlength="60"
        placeholder="Send"
        [value]="form.button"
        (input)="own.set('button', $any($event.target).value)"
      />
    </label>
    <label>
      What the sender reads then
      <textarea
        class="plain-input"
        rows="3"
        maxlength="1000"
        placeholder="Thank you. Somebody will look at it before it is published."
        [value]="form.thanks"
        (input)="own.set('thanks', $any($event.target).value)"
      ></textarea>
    </label>
  `,
  styleUrl: '../design/settings.scss',
  styles: `
    .line {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    fieldset {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    fieldset > label {
      inline-size: 100%;
    }
  `,
})
export class FormSettings {
  readonly work = input.required<FormWork>();

  protected put(at: number, change: Partial<Consent>): void {
    this.tell(
      this.work()
        .form()
        .consents.map((one, other) => (other === at ? { ...one, ...change } : one)),
    );
  }

  protected remove(at: number): void {
    this.tell(
      this.work()
        .form()
        .consents.filter((_, other) => other !== at),
    );
  }

  protected add(): void {
    this.tell([
      ...this.work().form().consents,
      { key: '', words: 'What I send may be published here.', isRequired: true },
    ]);
  }

  private tell(consents: readonly Consent[]): void {
    this.work().set('consents', makeForm({ ...this.work().form(), consents }).consents);
  }
}
