import { DOCUMENT } from '@angular/common';
import { ChangeDetectionStrategy, Component, RESPONSE_INIT, effect, inject, input } from '@angular/core';
import { Meta, Title } from '@angular/platform-browser';
import type { ResolveFn } from '@angular/router';
import { Router } from '@angular/router';
import type { PageModel } from '@plindo/core/page';
import { HomePageView, IndexPageView, ListingPageView } from '@plindo/listing-view';
import { SITE_DATA } from './site-data';

/** The model of the page that an address leads to. */
export const resolvePage: ResolveFn<PageModel> = (_route, { url }) => inject(SITE_DATA).page(url.split('#')[0] ?? '/');

/** Shows whatever page the address leads to; the same component stays while only the state of a page changes. */
@Component({
  selector: 'pl-page-host',
  imports: [HomePageView, IndexPageView, ListingPageView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a class="skip" href="#content" (click)="skip($event)">To the content</a>
    <header>
      <a class="name" href="/">{{ model().site.name }}</a>
      <nav aria-label="Kinds">
        @for (kind of model().kinds; track kind.href) {
          <a [href]="kind.href" [attr.aria-current]="isCurrent(kind.href) ? 'true' : null">{{ kind.label }}</a>
        }
      </nav>
    </header>
    <main id="content" tabindex="-1">
      @let page = model();
      @switch (page.type) {
        @case ('home') {
          <pl-home-page [model]="page" />
        }
        @case ('index') {
          <pl-index-page [model]="page" (stateChange)="go($event)" />
        }
        @case ('listing') {
          <pl-listing-page [model]="page" />
        }
        @case ('not-found') {
          <h1>Nothing here</h1>
          <p>This page is gone or has never been. Try <a href="/">the front page</a>.</p>
        }
      }
    </main>
  `,
  styleUrl: './page-host.scss',
})
export class PageHost {
  /** Given by the router. */
  readonly model = input.required<PageModel>();

  private readonly router = inject(Router);
  private readonly document = inject(DOCUMENT);

  constructor() {
    const [title, meta, response] = [inject(Title), inject(Meta), inject(RESPONSE_INIT, { optional: true })];
    effect(() => {
      const model = this.model();
      title.setTitle(model.title);
      meta.updateTag({ name: 'description', content: model.description });
      this.document.documentElement.lang = model.site.locale;
      this.setCanonical(model.canonical);
      if (response && model.type === 'not-found') response.status = 404;
    });
  }

  protected go({ url, replace }: { url: string; replace: boolean }): void {
    void this.router.navigateByUrl(url, { replaceUrl: replace });
  }

  protected isCurrent(href: string): boolean {
    const { canonical } = this.model();
    return canonical === href || canonical.startsWith(`${href}/`) || canonical.startsWith(`${href}?`);
  }

  protected skip(event: Event): void {
    event.preventDefault();
    this.document.getElementById('content')?.focus();
  }

  private setCanonical(href: string): void {
    let link = this.document.querySelector<HTMLLinkElement>('link[rel=canonical]');
    if (!link) {
      link = this.document.createElement('link');
      link.rel = 'canonical';
      this.document.head.appendChild(link);
    }
    link.setAttribute('href', href);
  }
}
