import { ChangeDetectionStrategy, Component, input, linkedSignal, output, signal } from '@angular/core';
import type { Picture } from '@plindo/core/structure';
import { sayOnPage } from '../page-words';
import { PictureView } from '../picture';
import { FormRefusal, sendPicture } from './form-calls';

/** Pictures for a form: chosen, dropped, or taken with the camera of a telephone. Without scripts they go with the form. */
@Component({
  selector: 'pl-picture-question',
  imports: [PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (picture of kept(); track picture.hash) {
      <span class="kept-picture">
        <pl-picture [picture]="picture" sizes="120px" />
        <input type="hidden" [name]="field()" [attr.value]="json(picture)" />
        <label>
          {{ say('form.picture-words') }}
          <input [name]="field() + '.words'" [attr.value]="picture.alt" maxlength="300" />
        </label>
        @if (interactive()) {
          <button type="button" (click)="remove(picture)">{{ say('form.remove-picture') }}</button>
        } @else {
          <label>
            <input type="checkbox" [name]="field() + '.remove'" [value]="picture.hash" />
            {{ say('form.remove-picture') }}
          </label>
        }
      </span>
    }
    @if (kept().length < most()) {
      <label
        class="drop"
        [class.over]="isOver()"
        (dragover)="hover($event)"
        (dragleave)="isOver.set(false)"
        (drop)="drop($event)"
      >
        {{ say('form.pictures') }}
        <input
          type="file"
          accept="image/*"
          [name]="field() + '.file'"
          [multiple]="most() > 1"
          (change)="choose($event)"
        />
      </label>
    }
    <span class="told" role="status">{{ told() }}</span>
  `,
})
export class PictureQuestion {
  readonly field = input.required<string>();
  readonly most = input.required<number>();
  readonly pictures = input.required<readonly Picture[]>();
  readonly action = input.required<string>();
  readonly interactive = input(false);
  readonly touched = output();

  protected readonly say = sayOnPage();
  protected readonly kept = linkedSignal(() => this.pictures());
  protected readonly told = signal('');
  protected readonly isOver = signal(false);

  protected json(picture: Picture): string {
    return JSON.stringify(picture);
  }

  protected remove(picture: Picture): void {
    this.kept.update((all) => all.filter(({ hash }) => hash !== picture.hash));
    this.touched.emit();
  }

  protected hover(event: DragEvent): void {
    event.preventDefault();
    this.isOver.set(true);
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.isOver.set(false);
    void this.send([...(event.dataTransfer?.files ?? [])]);
  }

  protected choose({ target }: Event): void {
    const chosen = target as HTMLInputElement;
    if (!this.interactive()) return;
    const files = [...(chosen.files ?? [])];
    chosen.value = '';
    void this.send(files);
  }

  private async send(files: readonly File[]): Promise<void> {
    for (const file of files.slice(0, this.most() - this.kept().length)) {
      this.told.set(this.say('form.uploading', { what: file.name }));
      try {
        const picture = await sendPicture(this.action(), file);
        this.kept.update((all) => [...all.filter(({ hash }) => hash !== picture.hash), picture]);
        this.told.set('');
        this.touched.emit();
      } catch (error) {
        const why = error instanceof FormRefusal ? error.message : '';
        this.told.set(`${file.name}: ${why || this.say('form.failed')}`);
      }
    }
  }
}
