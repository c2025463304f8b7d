import { DestroyRef, Directive, ElementRef, afterNextRender, effect, inject, output } from '@angular/core';
import { VisitorLists } from './visitor-lists';

/** A listing that was put on the shortlist, or taken away. */
export interface KeptChange {
  readonly title: string;
  readonly isKept: boolean;
}

/**
 * Sees to all buttons inside with which listings are kept. They are plain HTML, as most cards and pieces stay as they
 * came from the server; this marks those that are pressed, also among what comes later.
 */
@Directive({ selector: '[plKeepButtons]', host: { '(click)': 'press($event)' } })
export class KeepButtons {
  readonly keptChange = output<KeptChange>();

  private readonly lists = inject(VisitorLists);
  private readonly place = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const observer = new MutationObserver(() => this.mark());
      observer.observe(this.place, { childList: true, subtree: true });
      destroyed.onDestroy(() => observer.disconnect());
    });
    effect(() => this.mark());
  }

  protected press({ target }: Event): void {
    const button = (target as Element).closest<HTMLElement>('[data-keep]');
    if (!button) return;
    const isKept = this.lists.toggle(Number(button.dataset['keep']));
    this.keptChange.emit({ title: button.dataset['title'] ?? '', isKept });
  }

  private mark(): void {
    const kept = this.lists.shortlist();
    if (!this.lists.isKnown()) return;
    for (const button of this.place.querySelectorAll<HTMLElement>('[data-keep]')) {
      const pressed = String(kept.includes(Number(button.dataset['keep'])));
      if (button.getAttribute('aria-pressed') !== pressed) button.setAttribute('aria-pressed', pressed);
    }
  }
}
