import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { MatRadioModule } from '@angular/material/radio';
import { RouterLink } from '@angular/router';
import type { ListingContent } from '@plindo/core/listings';
import {
  deedWords,
  daysWords,
  leavesAt,
  momentByRule,
  momentWords,
  presenceSentence,
  ruleFor,
  shownParts,
} from '@plindo/core/listings';
import type { ExpiryChoice, Kind, ReadContext } from '@plindo/core/structure';
import { BUILT_IN_FIELDS } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { FieldControl } from '../../shared/controls/field-control';

/** What a listing says of when it leaves, as the form has it. */
export interface LeavingDraft {
  readonly expiry: ExpiryChoice | null;
  /** A moment as it is typed, or as it is kept; '' for none. */
  readonly shownUntil: unknown;
}

type Way = 'rule' | 'own' | 'never';

/** When a listing leaves the site: by the rule of its kind, at a moment of its own, or never by itself. */
@Component({
  selector: 'pl-leaving-control',
  imports: [FieldControl, MatRadioModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-radio-group [value]="way()" aria-label="When it leaves the site" (change)="choose($event.value)">
      <p class="label">It leaves the site</p>
      <mat-radio-button value="rule"
        >by <a [routerLink]="['/run/expiry', kind().id]">the rule of {{ kind().many }}</a></mat-radio-button
      >
      <p class="quiet">{{ byRule() }}</p>
      <mat-radio-button value="own">at a moment of its own</mat-radio-button>
      @if (way() === 'own') {
        <pl-field-control
          [field]="momentField"
          [context]="context()"
          path="shownUntil"
          [input]="draft().shownUntil"
          [issues]="issues()"
          (inputChange)="draftChange.emit({ expiry: 'by-rule', shownUntil: $event })"
        />
      }
      <mat-radio-button value="never">never by itself</mat-radio-button>
    </mat-radio-group>
    @if (presence()) {
      <p class="note" role="status">{{ presence() }}</p>
    }
    @if (then().length) {
      <p class="quiet">Then Plindo will:</p>
      <ul class="quiet">
        @for (one of then(); track $index) {
          <li>{{ one }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.375rem;
    }
    p {
      margin: 0;
    }
    .label {
      font-weight: 600;
    }
    .quiet {
      font-size: 0.875rem;
    }
    mat-radio-group > .quiet {
      padding-inline-start: 2.5rem;
    }
    .note {
      color: var(--pl-warm);
      font-size: 0.875rem;
    }
    ul {
      margin: 0;
      padding-inline-start: 1.25rem;
    }
  `,
})
export class LeavingControl {
  readonly kind = input.required<Kind>();
  readonly draft = input.required<LeavingDraft>();
  /** The listing as it is typed. */
  readonly content = input.required<ListingContent>();
  readonly publishedAt = input.required<number | null>();
  readonly context = input.required<ReadContext>();
  readonly issues = input<readonly Issue[]>([]);
  readonly draftChange = output<LeavingDraft>();

  protected readonly momentField = BUILT_IN_FIELDS.shownUntil;
  /** One that was chosen stays chosen while its moment is still to be typed. */
  protected readonly way = linkedSignal<LeavingDraft, Way>({
    source: this.draft,
    computation: (draft, before) => {
      if (before?.value === 'own' && draft.expiry !== 'off') return 'own';
      return wayOf(draft, this.kind());
    },
  });
  private readonly parts = computed(() => ({ ...this.content(), publishedAt: this.publishedAt() }));

  protected readonly byRule = computed(() => {
    const { expiry } = this.kind();
    if (!expiry) return '';
    const moment = momentByRule({ ...this.parts(), shownUntil: null }, expiry, this.kind(), this.context().zone);
    if (moment !== null) return momentWords(moment, this.context().formats);
    return expiry.countedFrom.by === 'publishing' ? 'once it is published' : 'nothing to count from yet';
  });

  protected readonly presence = computed(() =>
    presenceSentence(shownParts(this.parts(), this.kind(), this.context().zone), this.context()),
  );

  /** What happens to it when it leaves. */
  protected readonly then = computed(() => {
    const [kind, context] = [this.kind(), this.context()];
    const rule = ruleFor(this.parts(), kind);
    if (!rule || leavesAt(this.parts(), kind, context.zone) === null) return [];
    return rule.consequences.map((one) => `${deedWords(one.deed, kind, context.formats)}, ${daysWords(one)}`);
  });

  protected choose(way: Way): void {
    this.way.set(way);
    if (way === 'own') this.draftChange.emit({ expiry: 'by-rule', shownUntil: this.draft().shownUntil });
    else this.draftChange.emit({ expiry: way === 'rule' ? 'by-rule' : 'off', shownUntil: '' });
  }
}

function wayOf({ expiry, shownUntil }: LeavingDraft, kind: Kind): Way {
  if (shownUntil !== '' && shownUntil !== null) return 'own';
  return ruleFor({ expiry }, kind) ? 'rule' : 'never';
}
