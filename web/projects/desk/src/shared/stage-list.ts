import { Directive, ElementRef, afterEveryRender, inject } from '@angular/core';

/** The slim list of the pages of a stage. On a phone it is one line, in which the page that is open is brought into sight. */
@Directive({ selector: 'nav[plStageList]', host: { class: 'stage-list' } })
export class StageList {
  private open: Element | null = null;

  constructor() {
    const { nativeElement: list } = inject<ElementRef<HTMLElement>>(ElementRef);
    afterEveryRender(() => {
      const open = list.querySelector('.here');
      if (open === this.open) return;
      this.open = open;
      open?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    });
  }
}
