import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PagePurpose } from '@plindo/core/design';
import type { ConditionGroup } from '@plindo/core/structure';
import { TextEditor } from '../design/text-editor';
import { ConditionEditor } from '../selections/condition-editor';
import { ChoicesControl } from './choices-control';
import type { PageWork } from './page-work';

const EVERYTHING: ConditionGroup = { join: 'all', of: [] };

/** What a page is for, in words. */
const PURPOSE_WORDS: Readonly<Record<PagePurpose, string>> = {
  home: 'The home page: what visitors see first.',
  free: 'A page with an address of its own.',
  index: 'The page of a list.',
  category: 'The pages of categories.',
  listing: 'The page of each listing.',
  shortlist: 'The shortlist: what a visitor keeps, to compare and to share.',
  part: 'A part of several pages. Change it here to change it on all of them.',
};

/** What is said of a page as a whole. */
@Component({
  selector: 'pl-page-settings',
  imports: [ChoicesControl, ConditionEditor, TextEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './page-settings.html',
  styleUrl: '../design/settings.scss',
})
export class PageSettings {
  readonly work = input.required<PageWork>();
  /** For how many listings the condition of the page holds. */
  readonly count = input('');

  protected readonly purposes = PURPOSE_WORDS;
  protected readonly page = computed(() => this.work().page());
  protected readonly condition = computed(() => this.page().when ?? EVERYTHING);
  protected readonly categories = computed(() => {
    const { kind } = this.work().around;
    const fields = kind?.fields.filter(({ type }) => type === 'categories') ?? [];
    return fields.flatMap(({ settings }) => (settings.choices ?? []).map(({ key, label }) => ({ key, label })));
  });

  protected setWhen(group: ConditionGroup): void {
    this.work().set('when', group.of.length === 0 ? null : group);
  }
}
