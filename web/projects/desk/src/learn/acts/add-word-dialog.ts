import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, PausedQuestion, sentenceOf } from '@plindo/api';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';

export interface AddWordData {
  readonly kindId: number;
  readonly words: string;
}

/** Asks what words mean that found nothing, and tells how many listings they would find. Closes with the meaning. */
@Component({
  selector: 'pl-add-word-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>What does “{{ data.words }}” mean?</h2>
    <mat-dialog-content>
      <p>Write a word that stands in your listings. Whoever searches for “{{ data.words }}” then finds them too.</p>
      <label>
        <span>It means</span>
        <input
          class="plain-input"
          autocomplete="off"
          cdkFocusInitial
          maxlength="60"
          [value]="means()"
          (input)="type($any($event.target).value)"
          (keydown.enter)="finish()"
        />
      </label>
      <p class="told" role="status">{{ told() }}</p>
      @if (groups().length) {
        <p class="quiet">Words that already mean the same here:</p>
        <div class="button-row">
          @for (group of groups(); track $index) {
            <button class="chip-button" type="button" (click)="type(group[0]!)">{{ group.join(', ') }}</button>
          }
        </div>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton="filled" class="next-step" type="button" [disabled]="!means().trim()" (click)="finish()">
        Add the word
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    label {
      display: grid;
      gap: 0.25rem;
      font-weight: 600;
    }
    .told {
      min-block-size: 1.5rem;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class AddWordDialog {
  protected readonly data = inject<AddWordData>(MAT_DIALOG_DATA);
  private readonly ref = inject<MatDialogRef<AddWordDialog, string>>(MatDialogRef);
  private readonly api = inject(CatalogApi);
  private readonly reading = inject(Reading);
  private readonly kind = inject(KindsStore).byId(this.data.kindId);

  protected readonly means = signal('');
  protected readonly told = signal('');
  protected readonly groups = signal(this.kind?.synonyms ?? []);

  private readonly question = new PausedQuestion(
    (text: string) => {
      const one = { status: 'live', filters: [], sort: 'relevance', direction: 'down', offset: 0, limit: 1 } as const;
      return this.api.listings(this.data.kindId, { text, ...one });
    },
    {
      next: ({ total }) => this.told.set(this.foundWords(total)),
      error: (error) => this.told.set(sentenceOf(error)),
    },
  );

  protected type(text: string): void {
    this.means.set(text);
    if (text.trim() === '') this.told.set('');
    else this.question.ask(text.trim());
  }

  protected finish(): void {
    if (this.means().trim() !== '') this.ref.close(this.means().trim());
  }

  private foundWords(total: number): string {
    const { one = 'listing', many = 'listings' } = this.kind ?? {};
    if (total === 0) return `“${this.means().trim()}” finds nothing either. Try another word.`;
    const { formats } = this.reading.context();
    return `It will find ${formats.number(total)} ${this.reading.inSentence(total === 1 ? one : many)}.`;
  }
}
