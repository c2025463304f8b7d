import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, input, output, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** A box for cells that are pasted or typed, for those who look for one. */
@Component({
  selector: 'pl-paste-box',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isOpen() || isWanted()) {
      <label>
        <span>Paste the rows here, the headings first</span>
        <textarea
          #box
          class="plain-input"
          rows="7"
          spellcheck="false"
          placeholder="Name&#9;Town&#9;Beds"
          (input)="text.set($any($event.target).value)"
          (paste)="$event.stopPropagation()"
        ></textarea>
      </label>
      <button matButton="filled" type="button" [disabled]="!text().trim()" (click)="pasted.emit(text())">
        Read these rows
      </button>
    } @else {
      <button matButton type="button" (click)="isWanted.set(true)">Paste into a box</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: center;
      inline-size: min(44rem, 100%);
    }
    label {
      display: grid;
      gap: 0.25rem;
      inline-size: 100%;
      text-align: start;
    }
    textarea {
      inline-size: 100%;
      padding: 0.5rem;
      white-space: pre;
      overflow: auto;
    }
  `,
})
export class PasteBox {
  readonly isOpen = input(false);
  readonly pasted = output<string>();

  private readonly box = viewChild<ElementRef<HTMLTextAreaElement>>('box');
  protected readonly isWanted = signal(false);
  protected readonly text = signal('');

  constructor() {
    effect(() => this.box()?.nativeElement.focus());
  }
}
