import { provideHttpClient, withInterceptors } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { inject, provideAppInitializer, provideZonelessChangeDetection } from '@angular/core';
import { MAT_DIALOG_DEFAULT_OPTIONS, MatDialogConfig } from '@angular/material/dialog';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { SessionApi, csrfInterceptor } from '@plindo/api';
import { firstValueFrom } from 'rxjs';
import { DESK_ROUTES } from './routes';

export const deskConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withInterceptors([csrfInterceptor])),
    provideRouter(DESK_ROUTES, withComponentInputBinding()),
    provideAppInitializer(() => firstValueFrom(inject(SessionApi).load()).then(() => undefined)),
    // Whoever types as soon as a dialog is there must not be taken back to its first field when it has come in.
    { provide: MAT_DIALOG_DEFAULT_OPTIONS, useValue: Object.assign(new MatDialogConfig(), { delayFocusTrap: false }) },
    { provide: MAT_FORM_FIELD_DEFAULT_OPTIONS, useValue: { appearance: 'outline', subscriptSizing: 'dynamic' } },
  ],
};
