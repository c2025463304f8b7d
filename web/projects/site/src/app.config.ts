import type { ApplicationConfig } from '@angular/core';
import { provideZonelessChangeDetection } from '@angular/core';
import { provideClientHydration, withNoHttpTransferCache } from '@angular/platform-browser';
import type { Routes } from '@angular/router';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { PageHost, resolvePage } from './page-host';

export const SITE_ROUTES: Routes = [
  { path: '**', component: PageHost, resolve: { model: resolvePage }, runGuardsAndResolvers: 'always' },
];

export const siteConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideClientHydration(withNoHttpTransferCache()),
    provideRouter(
      SITE_ROUTES,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled', anchorScrolling: 'enabled' }),
    ),
  ],
};
