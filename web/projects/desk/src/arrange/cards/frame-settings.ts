import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CardDesign, CardPicture, DesignUse } from '@plindo/core/design';
import {
  BODY_COLUMNS,
  CARD_LEADS,
  FIT_WORDS,
  PICTURE_FITS,
  PICTURE_RATIOS,
  PICTURE_STANDS,
  RATIO_WORDS,
  SURFACES,
} from '@plindo/core/design';
import type { CardWork } from './card-work';

const STANDS_WORDS: Readonly<Record<CardPicture['stands'], string>> = {
  ...{ above: 'above', start: 'beside, in front', end: 'beside, behind', behind: 'behind the words', none: 'nowhere' },
};
const SURFACE_WORDS: Readonly<Record<CardDesign['surface'], string>> = {
  ...{ plain: 'none', line: 'with a line around it', raised: 'raised', tinted: 'tinted' },
};
const LEAD_WORDS: Readonly<Record<CardDesign['leads'], string>> = {
  ...{ whole: 'all of the card', title: 'its title and buttons' },
};

/** What is said of a card as a whole. */
@Component({
  selector: 'pl-frame-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame-settings.html',
  styleUrl: '../design/settings.scss',
})
export class FrameSettings {
  readonly work = input.required<CardWork>();
  readonly isMain = input.required<boolean>();
  readonly uses = input.required<readonly DesignUse[]>();

  protected readonly card = computed(() => this.work().card());
  protected readonly stands = PICTURE_STANDS.map((key) => ({ key, label: STANDS_WORDS[key] }));
  protected readonly ratios = PICTURE_RATIOS.map((key) => ({ key, label: RATIO_WORDS[key] }));
  protected readonly fits = PICTURE_FITS.map((key) => ({ key, label: FIT_WORDS[key] }));
  protected readonly surfaces = SURFACES.map((key) => ({ key, label: SURFACE_WORDS[key] }));
  protected readonly leads = CARD_LEADS.map((key) => ({ key, label: LEAD_WORDS[key] }));
  protected readonly columns = BODY_COLUMNS.map((key) => ({ key, label: key === 0 ? 'as many as fit' : String(key) }));
  protected readonly pictures = computed(() => [
    { key: '@picture', label: 'Lead picture' },
    ...this.work().kind.fields.filter(({ type }) => type === 'picture' || type === 'pictures'),
  ]);

  protected setPicture(change: Partial<CardPicture>): void {
    this.work().set('picture', { ...this.card().picture, ...change }, 'Changed the picture');
  }

  protected setColumns(text: string): void {
    const columns = BODY_COLUMNS.find((count) => String(count) === text);
    if (columns !== undefined) this.work().set('columns', columns, 'Changed the columns');
  }
}
