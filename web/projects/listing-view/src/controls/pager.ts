import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, input, output, viewChild } from '@angular/core';
import type { PagerModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

/** So far before its end a list that goes on by itself asks for more. */
const AHEAD = '400px';
/** After so many times by itself it waits to be asked, so that what stands below the list can be reached. */
const TIMES_BY_ITSELF = 4;

/**
 * How visitors come to further listings: numbered pages; "show more"; or more by itself, which waits to be asked now and
 * then. All of it are links, so that it works without scripts.
 */
@Component({
  selector: 'pl-pager',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pager.html',
})
export class Pager {
  readonly pager = input.required<PagerModel>();
  readonly interactive = input(false);
  /** The address that shows more, when that is asked for. */
  readonly more = output<string>();
  protected readonly say = sayOnPage();

  private readonly link = viewChild<ElementRef<HTMLAnchorElement>>('moreLink');
  private times = 0;

  constructor() {
    effect((onCleanup) => {
      const { mode, more } = this.pager();
      const link = this.link()?.nativeElement;
      if (mode !== 'endless' || !more || !link || !this.interactive() || this.times >= TIMES_BY_ITSELF) return;
      const watch = new IntersectionObserver(
        (entries) => {
          if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
          watch.disconnect();
          this.times++;
          this.more.emit(more.href);
        },
        { rootMargin: AHEAD },
      );
      watch.observe(link);
      onCleanup(() => watch.disconnect());
    });
  }

  protected showMore(event: MouseEvent, href: string): void {
    if (!this.interactive() || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    this.times = 0;
    this.more.emit(href);
  }
}
