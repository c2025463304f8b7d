import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CardForms, DateGroupModel } from '@plindo/core/page';
import { SleepingCard } from '../sleeping-card';
import { sayOnPage } from '../page-words';

/** Cards under headings of dates; what is over is folded. */
@Component({
  selector: 'pl-date-groups',
  imports: [NgTemplateOutlet, SleepingCard],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './date-groups.html',
})
export class DateGroups {
  readonly groups = input.required<readonly DateGroupModel[]>();
  /** Of the cards on the page. */
  readonly forms = input.required<CardForms>();
  /** The least width of a card, in rem. */
  readonly width = input(15.5);
  protected readonly say = sayOnPage();

  protected readonly present = computed(() => this.groups().filter(({ isPast }) => !isPast));
  protected readonly past = computed(() => this.groups().filter(({ isPast }) => isPast));
  /** Undated ones come after what is folded; they are no part of the past. */
  protected readonly pastCount = computed(() => this.past().reduce((sum, { count }) => sum + count, 0));
}
