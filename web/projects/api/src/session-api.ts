import { HttpClient } from '@angular/common/http';
import type { HttpInterceptorFn } from '@angular/common/http';
import { Injectable, computed, inject, signal } from '@angular/core';
import type { Changed, InvitedTo, SessionInfo } from '@plindo/core/contract';
import type { SiteSettings } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { markSignedIn } from './signed-in-mark';

/** Who is signed in, and the token that goes with every change. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  readonly session = signal<SessionInfo | null>(null);
  /** Whether whoever is signed in may change the structure, the site and people. */
  readonly isOwner = computed(() => this.session()?.user?.role === 'owner');
}

/** Sends the session's token with every change. */
export const csrfInterceptor: HttpInterceptorFn = (request, next) => {
  const csrf = inject(SessionStore).session()?.csrf;
  const isChange = !['GET', 'HEAD'].includes(request.method);
  return next(csrf && isChange ? request.clone({ setHeaders: { 'X-CSRF-Token': csrf } }) : request);
};

@Injectable({ providedIn: 'root' })
export class SessionApi {
  private readonly http = inject(HttpClient);
  private readonly store = inject(SessionStore);

  load(): Observable<SessionInfo> {
    return this.http.get<SessionInfo>('/api/session').pipe(tap((session) => this.keep(session)));
  }

  /** `code` of the second step; '' for none. */
  signIn(email: string, password: string, code: string): Observable<SessionInfo> {
    const given = { email, password, ...(code !== '' && { code }) };
    const sent = this.http.post<SessionInfo>('/api/session', given);
    return sent.pipe(tap((session) => this.keep(session)));
  }

  makeOwner(given: { secret: string; email: string; name: string; password: string }): Observable<SessionInfo> {
    const sent = this.http.post<SessionInfo>('/api/setup', given);
    return sent.pipe(tap((session) => this.keep(session)));
  }

  signOut(): Observable<void> {
    return this.http.delete<void>('/api/session').pipe(tap(() => this.keep(null)));
  }

  /** Says in which listing a Desk is, null for in none; answers who else has it open. */
  stand(desk: string, listing: number | null): Observable<string[]> {
    return this.http.post<string[]>('/api/desk', { desk, listing });
  }

  leave(password: string): Observable<void> {
    return this.http.post<void>('/api/me/leave', { password }).pipe(tap(() => this.keep(null)));
  }

  signOutEverywhere(): Observable<void> {
    return this.http.delete<void>('/api/sessions').pipe(tap(() => this.keep(null)));
  }

  saveSite(settings: Partial<SiteSettings>): Observable<Changed<SiteSettings>> {
    return this.http.put<Changed<SiteSettings>>('/api/site', settings);
  }

  invitedTo(secret: string): Observable<InvitedTo> {
    return this.http.post<InvitedTo>('/api/invitations/look', { secret });
  }

  accept(given: { secret: string; name: string; password: string }): Observable<SessionInfo> {
    const sent = this.http.post<SessionInfo>('/api/invitations/accept', given);
    return sent.pipe(tap((session) => this.keep(session)));
  }

  forgotten(email: string): Observable<void> {
    return this.http.post<void>('/api/passwords/forgotten', { email });
  }

  newPassword(given: { secret: string; password: string }): Observable<void> {
    return this.http.post<void>('/api/passwords/new', given);
  }

  private keep(session: SessionInfo | null): void {
    this.store.session.set(session);
    markSignedIn(session?.user != null);
  }
}
