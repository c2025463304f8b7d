import { bootstrapApplication } from '@angular/platform-browser';
import { siteConfig } from './app.config';
import { Site } from './site';

bootstrapApplication(Site, siteConfig).catch((error: unknown) => console.error(error));
