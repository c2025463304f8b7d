import { DOCUMENT } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** Hands the address of the page on by the means of the browser, and prints it; the sheet hides it where no scripts run. */
@Component({
  selector: 'pl-share-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (piece().canShare) {
      <button type="button" class="button plain" (click)="share()">{{ say('share.share') }}</button>
    }
    @if (piece().canPrint) {
      <button type="button" class="button plain" (click)="print()">{{ say('share.print') }}</button>
    }
    <span role="status">{{ told() }}</span>
  `,
})
export class SharePiece {
  readonly piece = input.required<PieceModelOf<'share'>>();
  protected readonly say = sayOnPage();

  private readonly window = inject(DOCUMENT).defaultView;
  protected readonly told = signal('');

  /** By the browser's own dialog where it has one; else the address is copied. */
  protected async share(): Promise<void> {
    const { navigator, location, document } = this.window!;
    try {
      if ('share' in navigator) await navigator.share({ title: document.title, url: location.href });
      else {
        await (navigator as Navigator).clipboard.writeText(location.href);
        this.told.set(this.say('share.copied'));
      }
    } catch {
      // Whoever closes the dialog knows what they did; else the address can still be copied by hand.
      this.told.set('');
    }
  }

  protected print(): void {
    this.window!.print();
  }
}
