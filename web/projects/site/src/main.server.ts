import { mergeApplicationConfig } from '@angular/core';
import type { BootstrapContext } from '@angular/platform-browser';
import { bootstrapApplication } from '@angular/platform-browser';
import { KEPT_CARDS } from '@plindo/listing-view';
import { RenderMode, provideServerRendering, withRoutes } from '@angular/ssr';
import { siteConfig } from './app.config';
import { Site } from './site';
import { SITE_DATA } from './site-data';
import { cardsFromServer, dataFromServer } from './site-data.server';

const serverConfig = mergeApplicationConfig(siteConfig, {
  providers: [
    provideServerRendering(withRoutes([{ path: '**', renderMode: RenderMode.Server }])),
    { provide: SITE_DATA, useFactory: dataFromServer },
    { provide: KEPT_CARDS, useFactory: cardsFromServer },
  ],
});

export default (context: BootstrapContext) => bootstrapApplication(Site, serverConfig, context);
