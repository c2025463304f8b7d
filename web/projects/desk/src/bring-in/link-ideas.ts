import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi } from '@plindo/api';
import type { FieldToLinkSketch } from '@plindo/core/contract';
import type { FieldToLinkReport, LinkIdea } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { fieldAt, fieldByKey } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';
import { KindsStore } from '../shared/kinds-store';
import { LongWork } from '../shared/long-work/long-work';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';

/** A field that names listings of another kind, as it is shown, with what making a link of it comes to. */
interface ShownIdea {
  readonly idea: LinkIdea;
  readonly kind: Kind;
  readonly other: Kind;
  readonly label: string;
  readonly by: string;
  readonly report: FieldToLinkReport;
}

const MOST_NAMED = 12;

/** Fields that seem to name listings of another kind, each with one button that makes a link of it. */
@Component({
  selector: 'pl-link-ideas',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (shown of ideas(); track shown.idea.kindId + shown.idea.field) {
      <section class="panel" [attr.aria-label]="shown.label + ' names ' + shown.other.many">
        <h3>“{{ shown.label }}” of {{ shown.kind.many }} names {{ shown.other.many }}</h3>
        <p>
          {{ number(shown.report.connected) }} of {{ number(shown.report.connected + shown.report.incomplete) }} name
          one of them, by {{ shown.by }}. As a link, each shows the other on its page, and visitors can filter by it.
        </p>
        @if (shown.report.unmatched.length) {
          <details>
            <summary>
              {{
                shown.report.incomplete === 1
                  ? 'One doesn’t; what it says is kept aside'
                  : number(shown.report.incomplete) + ' don’t; what they say is kept aside'
              }}
            </summary>
            <ul>
              @for (one of shown.report.unmatched.slice(0, most); track one.text) {
                <li>
                  “{{ one.text }}” ({{ number(one.listings) }}):
                  {{ one.why === 'none' ? 'no listing has this name' : 'several listings have this name' }}
                </li>
              }
              @if (shown.report.unmatched.length > most) {
                <li>and {{ number(shown.report.unmatched.length - most) }} others</li>
              }
            </ul>
          </details>
        }
        <button matButton="outlined" type="button" [disabled]="isBusy()" (click)="make(shown)">Make it a link</button>
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
      margin-block-start: 0.75rem;
    }
    h3,
    p,
    ul {
      margin: 0;
    }
    summary {
      cursor: pointer;
    }
  `,
})
export class LinkIdeas {
  readonly kindId = input.required<number>();

  private readonly api = inject(CatalogApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly work = inject(LongWork);
  private readonly reading = inject(Reading);
  protected readonly ideas = signal<readonly ShownIdea[]>([]);
  protected readonly isBusy = signal(false);
  protected readonly most = MOST_NAMED;

  constructor() {
    effect(() => void this.load(this.kindId()));
  }

  protected number(count: number): string {
    return this.reading.context().formats.number(count);
  }

  protected async make({ idea, kind, other, label }: ShownIdea): Promise<void> {
    this.isBusy.set(true);
    const sent = this.work.follow(this.api.makeFieldLink(kind, sketchOf(idea, kind)), 'Making the link', 'It is made.');
    try {
      const { changeId } = await firstValueFrom(sent);
      const again = (): void => void this.load(this.kindId());
      this.notices.changed(`${label} of ${kind.many} leads to ${other.many} now.`, changeId, again);
    } catch (error) {
      this.notices.refused(error);
    }
    this.isBusy.set(false);
    await this.load(this.kindId());
  }

  private async load(kindId: number): Promise<void> {
    try {
      await this.kinds.reload();
      const found = await firstValueFrom(this.api.linkIdeas(kindId));
      const shown = await Promise.all(found.map((idea) => this.shown(idea)));
      if (kindId === this.kindId()) this.ideas.set(shown.filter((one): one is ShownIdea => one !== null));
    } catch (error) {
      this.notices.refused(error);
    }
  }

  private async shown(idea: LinkIdea): Promise<ShownIdea | null> {
    const [kind, other] = [this.kinds.byId(idea.kindId), this.kinds.byId(idea.otherKindId)];
    if (!kind || !other) return null;
    const label = fieldByKey(kind, idea.field)?.label ?? idea.field;
    const by = idea.namedBy === '@title' ? 'its title' : (fieldAt(other, idea.namedBy)?.label ?? idea.namedBy);
    const report = await firstValueFrom(this.api.planFieldToLink(kind.id, sketchOf(idea, kind)));
    return { idea, kind, other, label, by, report };
  }
}

function sketchOf({ field, otherKindId, namedBy }: LinkIdea, { many }: Kind): FieldToLinkSketch {
  return { field, otherKindId, namedBy, otherLabel: many };
}
