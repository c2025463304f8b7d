import { isPlatformServer } from '@angular/common';
import type { OnChanges, OnDestroy, Type } from '@angular/core';
import { Directive, InjectionToken, PLATFORM_ID, inject, input } from '@angular/core';
import type { FormModel } from '@plindo/core/page';
import { whenIdle } from '../browser';
import { DrawnPlace } from '../drawn-place';
import { fillForm, partsOfForm } from './form-memory';

/** What draws forms: at hand on the server, and fetched by browsers with the first form that they come to. */
export const FORM_VIEW = new InjectionToken<Type<unknown>>('what draws forms');

/**
 * The place of a form of visitors. It works as it came from the server; the program for it, which most visitors never need, is
 * fetched when the page has come, and takes over what was typed meanwhile.
 */
@Directive({ selector: 'pl-sleeping-form' })
export class SleepingForm implements OnChanges, OnDestroy {
  readonly piece = input.required<FormModel>();

  private readonly place = new DrawnPlace<unknown>();
  private readonly isServer = isPlatformServer(inject(PLATFORM_ID));
  private readonly view = inject(FORM_VIEW, { optional: true });
  private isOver = false;

  ngOnChanges(): void {
    const { view } = this;
    if (this.isServer && view) this.place.element.innerHTML = this.place.htmlOf(view, { piece: this.piece() });
    else if (!this.isServer) whenIdle(() => void this.wake());
  }

  ngOnDestroy(): void {
    this.isOver = true;
    this.place.destroy();
  }

  private async wake(): Promise<void> {
    const type = this.view ?? (await import('./form-piece')).FormPiece;
    if (this.isOver) return;
    const { element } = this.place;
    const typed = this.place.isDrawn ? null : partsOfForm(element.querySelector<HTMLFormElement>('form.asks'));
    this.place.show(type, { piece: this.piece() });
    const form = element.querySelector<HTMLFormElement>('form.asks');
    if (typed && form) fillForm(form, typed);
  }
}
