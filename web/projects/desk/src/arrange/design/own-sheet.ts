import { DOCUMENT } from '@angular/common';
import { DestroyRef, effect, inject } from '@angular/core';
import { scopedCss } from '@plindo/core/design';

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
