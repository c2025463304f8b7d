import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Picture } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';

interface Sending {
  readonly done: number;
  readonly all: number;
}

/** Takes pictures that are dropped on it or chosen, sends them one after the other, and tells each that is kept. */
@Component({
  selector: 'pl-picture-drop',
  imports: [MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="zone"
      [class.over]="isOver()"
      (dragover)="over($event, true)"
      (dragleave)="over($event, false)"
      (drop)="dropFiles($event)"
    >
      <ng-content />
      @if (sending(); as now) {
        <p role="status">Sending {{ now.done + 1 }} of {{ now.all }}</p>
        <mat-progress-bar [value]="(100 * now.done) / now.all" aria-label="Sending pictures" />
      }
      @for (sentence of refused(); track $index) {
        <p class="problem" role="alert">{{ sentence }}</p>
      }
      <label class="file-button">
        <input
          type="file"
          accept="image/*"
          [multiple]="many()"
          (change)="send($any($event.target).files); $any($event.target).value = ''"
        />
        <span>{{ ask() }}</span>
      </label>
    </div>
  `,
  styles: `
    .zone {
      display: grid;
      gap: 0.5rem;
      padding: 0.5rem;
      border: 1px dashed var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .over {
      border-color: var(--pl-accent);
      background: var(--pl-wash);
    }
    .problem {
      color: var(--pl-signal);
    }
  `,
})
export class PictureDrop {
  /** What its button says. */
  readonly ask = input.required<string>();
  readonly many = input(false);
  /** A picture that is kept now; without words yet. */
  readonly sent = output<Picture>();
  /** All of a batch have been sent. */
  readonly done = output();

  private readonly api = inject(CatalogApi);
  protected readonly sending = signal<Sending | null>(null);
  protected readonly refused = signal<readonly string[]>([]);
  protected readonly isOver = signal(false);

  protected over(event: DragEvent, isOver: boolean): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.isOver.set(isOver);
  }

  protected dropFiles(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.isOver.set(false);
    void this.send(event.dataTransfer.files);
  }

  /** One that is refused is named, and the rest goes on. */
  protected async send(files: FileList | null): Promise<void> {
    const chosen = [...(files ?? [])].slice(0, this.many() ? undefined : 1);
    const refused: string[] = [];
    for (const [done, file] of chosen.entries()) {
      this.sending.set({ done, all: chosen.length });
      try {
        const { hash, width, height } = await firstValueFrom(this.api.addPicture(file));
        this.sent.emit({ hash, width, height, alt: '' });
      } catch (error) {
        refused.push(`${file.name}: ${sentenceOf(error)}`);
      }
    }
    this.sending.set(null);
    this.refused.set(refused);
    this.done.emit();
  }
}
