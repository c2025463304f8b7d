import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PageColumn, Strip } from '@plindo/core/design';
import { STRIP_SPACES, STRIP_TONES, STRIP_WIDTHS } from '@plindo/core/design';
import { PictureControl } from '../../shared/controls/picture-control';
import type { PageWork } from './page-work';
import { ShownWhenSettings } from './shown-when-settings';

const WIDTH_WORDS: Readonly<Record<Strip['width'], string>> = {
  ...{ content: 'as wide as the text', full: 'over the whole width' },
};
const TONE_WORDS: Readonly<Record<Strip['tone'], string>> = {
  ...{ plain: 'that of the page', tinted: 'tinted', warm: 'warm', dark: 'dark' },
};
const SPACE_WORDS: Readonly<Record<Strip['space'], string>> = {
  ...{ none: 'none', small: 'little', normal: 'normal', large: 'much' },
};

/** What is said of the strip that is chosen, and of its columns. */
@Component({
  selector: 'pl-strip-settings',
  imports: [PictureControl, ShownWhenSettings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './strip-settings.html',
  styleUrl: '../design/settings.scss',
})
export class StripSettings {
  readonly work = input.required<PageWork>();
  readonly strip = input.required<Strip>();
  /** For how many listings its condition holds. */
  readonly count = input('');

  protected readonly widths = STRIP_WIDTHS.map((key) => ({ key, label: WIDTH_WORDS[key] }));
  protected readonly tones = STRIP_TONES.map((key) => ({ key, label: TONE_WORDS[key] }));
  protected readonly spaces = STRIP_SPACES.map((key) => ({ key, label: SPACE_WORDS[key] }));
  protected readonly counts = [1, 2, 3, 4];
  protected readonly orders = [1, 2, 3, 4];

  protected setShare(column: PageColumn, text: string): void {
    const share = Math.round(Number(text));
    if (share >= 1 && share <= 12) this.work().changeColumn(column.key, { share });
  }

  protected setRem(column: PageColumn, text: string): void {
    const rem = Number(text);
    if (text === '' || (rem >= 0 && rem <= 60)) this.work().changeColumn(column.key, { rem });
  }

  protected setOrder(column: PageColumn, text: string): void {
    this.work().changeColumn(column.key, { order: Number(text) });
  }
}
