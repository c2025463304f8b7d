import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CardZone } from '@plindo/core/design';
import type { CardForm, CardForms, CardModel, SlotForm } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { Marked } from './marked';
import { PictureView } from './picture';
import { classOfSlot } from './slot-class';
import { Value } from './value';

const CORNERS: readonly CardZone[] = ['topStart', 'topEnd', 'bottomStart', 'bottomEnd'];

/**
 * How one listing looks in a list, by the form of its card. What names it is its title, which is the link. Its styles
 * stand in the sheet of the site (`styles/_card.scss`).
 */
@Component({
  selector: 'pl-card',
  imports: [Icon, Marked, NgTemplateOutlet, PictureView, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './card.html',
})
export class Card {
  readonly card = input.required<CardModel>();
  /** Of all cards on the page. */
  readonly forms = input.required<CardForms>();
  /** True when the card is seen without scrolling. */
  readonly eager = input(false);

  /** Whether each slot tells its key, for the designer. */
  readonly showsSlots = input(false);

  protected readonly form = computed((): CardForm => this.forms()[this.card().form]!);
  protected readonly look = computed(() => lookOf(this.form()));
  protected readonly ratio = computed(() => `ratio-${this.form().picture.ratio.replace(':', '-')}`);
  /** The corners of the picture in which anything stands. */
  protected readonly corners = computed(() => CORNERS.filter((zone) => this.shown(zone).length > 0));

  /** The slots of a place in which anything stands. */
  protected shown(zone: CardZone): readonly SlotForm[] {
    const { values } = this.card();
    return this.form().zones[zone].filter(({ key }) => values[key] !== undefined);
  }

  protected keyOf({ key }: SlotForm): string | null {
    return this.showsSlots() ? key : null;
  }

  protected readonly classOf = classOfSlot;
}

function lookOf({ surface, leads, picture, keep }: CardForm): string {
  return `surface-${surface} picture-${picture.stands} leads-${leads}${keep === '' ? '' : ' can-keep'}`;
}
