import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router, RouterOutlet } from '@angular/router';

/** The public app. Pages hold plain links; with scripts, those that stay on the site are followed without reloading. */
@Component({
  selector: 'pl-site',
  imports: [RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<router-outlet />`,
  host: { '(click)': 'follow($event)' },
})
export class Site {
  private readonly router = inject(Router);

  protected follow(event: MouseEvent): void {
    const isPlain = event.button === 0 && !event.ctrlKey && !event.metaKey && !event.shiftKey && !event.altKey;
    const link = (event.target as Element).closest('a');
    const href = link?.getAttribute('href');
    const leaves = !href?.startsWith('/') || href.startsWith('/desk') || href.startsWith('/api');
    if (!href || !isPlain || event.defaultPrevented || leaves || link?.target) return;
    event.preventDefault();
    void this.router.navigateByUrl(href);
  }
}
