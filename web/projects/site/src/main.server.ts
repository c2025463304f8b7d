import { mergeApplicationConfig } from '@angular/core';
import type { BootstrapContext } from '@angular/platform-browser';
import { bootstrapApplication } from '@angular/platform-browser';
import { FORM_VIEW, KEPT_CARDS, MAKE_WORDS } from '@plindo/listing-view';
import { FormPiece } from '@plindo/listing-view/form-piece';
import { RenderMode, provideServerRendering, withRoutes } from '@angular/ssr';
import { siteConfig } from './app.config';
import { Site } from './site';
import { SITE_DATA } from './site-data';
import { cardsFromServer, dataFromServer, wordsFromServer } from './site-data.server';

const serverConfig = mergeApplicationConfig(siteConfig, {
  providers: [
    provideServerRendering(withRoutes([{ path: '**', renderMode: RenderMode.Server }])),
    { provide: SITE_DATA, useFactory: dataFromServer },
    { provide: KEPT_CARDS, useFactory: cardsFromServer },
    { provide: MAKE_WORDS, useFactory: wordsFromServer },
    { provide: FORM_VIEW, useValue: FormPiece },
  ],
});

export default (context: BootstrapContext) => bootstrapApplication(Site, serverConfig, context);
