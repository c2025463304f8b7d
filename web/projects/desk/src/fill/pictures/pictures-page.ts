import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { AnswerTaker } from '@plindo/api';
import { CatalogApi, PausedQuestion } from '@plindo/api';
import type { Changed, KeptPicture, PictureWindow } from '@plindo/core/contract';
import type { Picture } from '@plindo/core/structure';
import { Icon, PictureView } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { PictureDrop } from '../../shared/controls/picture-drop';
import { KindList } from '../../shared/kind-list';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';

const PICTURES_AT_ONCE = 60;
const KILOBYTE = 1024;

/** Which pictures are looked for. */
interface Asked {
  readonly text: string;
  readonly unused: boolean;
}

/** All kept pictures: where each is used, and those that are used nowhere. */
@Component({
  selector: 'pl-pictures-page',
  imports: [Icon, KindList, MatButtonModule, PictureDrop, PictureView, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pictures-page.html',
  styleUrl: './pictures-page.scss',
})
export class PicturesPage {
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly context = inject(Reading).context;

  protected readonly text = signal('');
  protected readonly onlyUnused = signal(false);
  protected readonly pictures = signal<readonly KeptPicture[]>([]);
  protected readonly total = signal<number | null>(null);
  protected readonly unused = signal(0);

  constructor() {
    const question = new PausedQuestion((asked: Asked) => this.windowOf(asked, 0), this.takerFrom(0));
    effect(() => question.ask({ text: this.text(), unused: this.onlyUnused() }));
  }

  protected reload(): void {
    this.load(0);
  }

  protected more(): void {
    this.load(this.pictures().length);
  }

  private load(offset: number): void {
    this.windowOf({ text: this.text(), unused: this.onlyUnused() }, offset).subscribe(this.takerFrom(offset));
  }

  private windowOf(asked: Asked, offset: number): Observable<PictureWindow> {
    return this.api.pictures({ ...asked, offset, limit: PICTURES_AT_ONCE });
  }

  private takerFrom(offset: number): AnswerTaker<PictureWindow> {
    return {
      next: (window) => {
        this.pictures.update((before) => [...before.slice(0, offset), ...window.pictures]);
        this.total.set(window.total);
        this.unused.set(window.unused);
      },
      error: (error) => this.notices.refused(error),
    };
  }

  protected shown({ hash, width, height }: KeptPicture): Picture {
    return { hash, width, height, alt: '' };
  }

  /** "1,500 × 1,000, 210 KB, 24 November 2026". */
  protected factsOf({ width, height, bytes, createdAt }: KeptPicture): string {
    const { formats } = this.context();
    const size = bytes === 0 ? '' : `${formats.number(Math.max(1, Math.round(bytes / KILOBYTE)))} KB, `;
    return `${formats.number(width)} × ${formats.number(height)}, ${size}${formats.day(createdAt)}`;
  }

  protected usesOf({ uses, usedBy }: KeptPicture): string {
    const others = uses - usedBy.length;
    return others > 0 ? `and ${others} more` : '';
  }

  protected remove({ hash, fileName }: KeptPicture): void {
    this.run(this.api.deletePictures([hash]), () => `Deleted ${fileName}`);
  }

  protected removeUnused(): void {
    this.run(this.api.deleteUnusedPictures(), (count) =>
      count === 0
        ? 'Nothing was deleted: what came in within the last hour is left, as a form may still hold it.'
        : `Deleted ${count} unused pictures`,
    );
  }

  private run(sent: Observable<Changed<{ pictures: number }>>, sentence: (count: number) => string): void {
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.reload();
        if (result.pictures === 0) this.notices.said(sentence(0));
        else this.notices.changed(sentence(result.pictures), changeId, () => this.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
