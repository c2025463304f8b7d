import { DOCUMENT } from '@angular/common';
import { DestroyRef, effect, inject } from '@angular/core';
import { looksOf, scopedCss } from '@plindo/core/design';
import { DesignsStore } from '../../shared/designs-store';

/** Lets pages that are shown in the Desk have the own CSS of a look, for as long as a component lasts. */
export function wearOwnCss(css: () => string): void {
  const document = inject(DOCUMENT);
  const sheet = new CSSStyleSheet();
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  inject(DestroyRef).onDestroy(() => {
    document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet);
  });
  effect(() => sheet.replaceSync(scopedCss(css())));
}

/** The same with the look that visitors see. */
export function wearSiteCss(): void {
  const { designs } = inject(DesignsStore);
  wearOwnCss(() => looksOf(designs() ?? [])[0]?.definition.css ?? '');
}
