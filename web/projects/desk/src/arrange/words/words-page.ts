import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { DesignsApi } from '@plindo/api';
import type { KeptWords, WordsDesign } from '@plindo/core/design';
import { checkWords, makeWords, wordsIn } from '@plindo/core/design';
import { languageOf } from '@plindo/core/values';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import type { WordLine } from './words-table';
import { foundSections, withLine, wordSections } from './words-table';

/** What the site says to visitors by itself, sentence by sentence, to be said otherwise. */
@Component({
  selector: 'pl-words-page',
  imports: [KindList, MatCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './words-page.html',
  styleUrl: './words-page.scss',
})
export class WordsPage {
  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);

  protected readonly wanted = signal('');
  protected readonly onlyOwn = signal(false);
  /** The line that was refused, and why. */
  protected readonly refused = signal<{ readonly line: string; readonly why: string } | null>(null);

  protected readonly language = computed(() => languageOf(this.reading.context().locale));
  protected readonly languageName = computed(
    () => new Intl.DisplayNames('en', { type: 'language' }).of(this.language()) ?? this.language(),
  );
  private readonly kept = computed((): KeptWords | undefined => wordsIn(this.language(), this.designs.designs() ?? []));
  private readonly own = computed(() => this.kept()?.definition.said ?? {});
  private readonly sections = computed(() => wordSections(this.language(), this.own()));
  protected readonly found = computed(() => foundSections(this.sections(), this.wanted(), this.onlyOwn()));
  protected readonly changed = computed(() => Object.keys(this.own()).length);

  constructor() {
    void this.designs.reload();
  }

  protected nameOf({ key, form }: WordLine): string {
    return `${key} ${form}`.trim();
  }

  /** Keeps what was written at once; what cannot be kept stays in its field, with the reason. */
  protected write(line: WordLine, text: string): void {
    const said = withLine(this.own(), line, text, this.language());
    const definition: WordsDesign = this.kept()
      ? { ...this.kept()!.definition, said }
      : makeWords({ name: `Words in ${this.languageName()}`, language: this.language(), said });
    const [issue] = checkWords(definition);
    this.refused.set(issue ? { line: this.nameOf(line), why: issue.message } : null);
    if (issue) return;
    const kept = this.kept();
    const sent = kept
      ? this.api.save({ ...kept, definition })
      : this.api.add({ type: 'words', kindId: null, definition });
    const sentence = `Changed what the site says: “${text || line.shipped}”`;
    this.notices.tellAndShow(sent, sentence, () => void this.designs.reload());
  }
}
