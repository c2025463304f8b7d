import { bootstrapApplication } from '@angular/platform-browser';
import { deskConfig } from './app.config';
import { Shell } from './shell/shell';

bootstrapApplication(Shell, deskConfig).catch((error: unknown) => console.error(error));
