import { DOCUMENT, isPlatformServer } from '@angular/common';
import { Injectable, PLATFORM_ID, inject } from '@angular/core';
import { Meta, Title } from '@angular/platform-browser';
import type { TriedLook } from '@plindo/api/tried-look';
import type { PageModel } from '@plindo/core/page';

const MACHINES = 'for-machines';
const OWN_SHEET = 'data-own-sheet';

/** Sees to what stands in the head of the document for a page, and on its outermost element. */
@Injectable({ providedIn: 'root' })
export class PageHead {
  private readonly document = inject(DOCUMENT);
  private readonly title = inject(Title);
  private readonly meta = inject(Meta);
  private readonly isServer = isPlatformServer(inject(PLATFORM_ID));
  /** Of the look that is tried. */
  private readonly triedSheet = this.isServer ? null : sheetOf(this.document);
  /** Whether another page, or another state of it, has been shown since it came from the server. */
  private hasGoneOn = false;

  /** Tells of the page that is shown, in the look that is tried, else in its own. */
  tell(model: PageModel, tried: TriedLook | null): void {
    this.title.setTitle(model.title);
    this.meta.updateTag({ name: 'description', content: model.description });
    this.document.documentElement.lang = model.site.locale;
    this.wear(tried?.style ?? model.look);
    this.linkOwnSheet(tried ? '' : model.ownSheet);
    this.triedSheet?.replaceSync(tried?.css ?? '');
    this.setCanonical(model);
    this.tellMachines(model);
  }

  /** What machines read stands in the page as the server sends it; of other pages there is nothing in it. */
  private tellMachines(model: PageModel): void {
    if (!this.isServer) {
      if (this.hasGoneOn) this.document.getElementById(MACHINES)?.remove();
      this.hasGoneOn = true;
      return;
    }
    const { data, picture } = model.type === 'designed' ? model.forMachines : { data: '', picture: '' };
    const { site, title, description, canonical } = model;
    const properties = {
      ...{ 'og:site_name': site.name, 'og:title': title, 'og:description': description, 'og:image': picture },
      'og:url': site.address ? site.address + canonical : '',
    };
    for (const [property, content] of Object.entries(properties))
      if (content !== '') this.addMeta({ property, content });
    this.addMeta({ name: 'twitter:card', content: picture === '' ? 'summary' : 'summary_large_image' });
    if (data === '') return;
    const script = this.document.createElement('script');
    script.id = MACHINES;
    script.type = 'application/ld+json';
    script.textContent = data;
    this.document.head.appendChild(script);
  }

  /** By the document itself: Angular's own service makes new elements in another one. */
  private addMeta(attributes: Readonly<Record<string, string>>): void {
    const meta = this.document.createElement('meta');
    for (const [name, value] of Object.entries(attributes)) meta.setAttribute(name, value);
    this.document.head.appendChild(meta);
  }

  /** The look stands on the outermost element, so that the ground of the page has it as well. */
  private wear(look: string): void {
    const { documentElement } = this.document;
    if (look === '') documentElement.removeAttribute('style');
    else documentElement.setAttribute('style', look);
  }

  /** After the sheet of the site, so that it has the last word. */
  private linkOwnSheet(address: string): void {
    const { document } = this;
    const before = document.querySelector<HTMLLinkElement>(`link[${OWN_SHEET}]`);
    if (before?.getAttribute('href') === address) return;
    before?.remove();
    if (address === '') return;
    const link = document.createElement('link');
    link.setAttribute('rel', 'stylesheet');
    link.setAttribute('href', address);
    link.setAttribute(OWN_SHEET, '');
    document.head.appendChild(link);
  }

  /** Search engines want the whole address. Of a site that doesn't say where it stands, the server tells it beside the page. */
  private setCanonical({ site: { address = '' }, canonical }: PageModel): void {
    let link = this.document.querySelector<HTMLLinkElement>('link[rel=canonical]');
    if (address === '') return link?.remove();
    if (!link) {
      link = this.document.createElement('link');
      link.rel = 'canonical';
      this.document.head.appendChild(link);
    }
    link.setAttribute('href', address + canonical);
  }
}

/** A new sheet of a document, which is empty; by the browser's own means, as no policy lets pages write styles. */
function sheetOf(document: Document): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  return sheet;
}
