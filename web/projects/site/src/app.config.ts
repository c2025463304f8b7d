import type { ApplicationConfig } from '@angular/core';
import { inject, provideZonelessChangeDetection } from '@angular/core';
import { provideClientHydration, withNoHttpTransferCache } from '@angular/platform-browser';
import type { Routes } from '@angular/router';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { VisitorApi } from '@plindo/api/visitor-api';
import type { ChosenCards } from '@plindo/core/page';
import { CARDS_BY_NUMBER } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';
import { PageHost, resolvePage } from './page-host';

function cardsFromApi(): (ids: readonly number[]) => Promise<ChosenCards> {
  const api = inject(VisitorApi);
  return (ids) => firstValueFrom(api.cards(ids));
}

export const SITE_ROUTES: Routes = [
  { path: '**', component: PageHost, resolve: { model: resolvePage }, runGuardsAndResolvers: 'always' },
];

export const siteConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    { provide: CARDS_BY_NUMBER, useFactory: cardsFromApi },
    provideClientHydration(withNoHttpTransferCache()),
    provideRouter(
      SITE_ROUTES,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled', anchorScrolling: 'enabled' }),
    ),
  ],
};
