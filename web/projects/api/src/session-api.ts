import { HttpClient } from '@angular/common/http';
import type { HttpInterceptorFn } from '@angular/common/http';
import { Injectable, inject, signal } from '@angular/core';
import type { Changed, SessionInfo, TokenSummary } from '@plindo/core/contract';
import type { SiteSettings } from '@plindo/core/structure';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { markSignedIn } from './signed-in-mark';

/** Who is signed in, and the token that goes with every change. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  readonly session = signal<SessionInfo | null>(null);
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

  signIn(email: string, password: string): Observable<SessionInfo> {
    const sent = this.http.post<SessionInfo>('/api/session', { email, password });
    return sent.pipe(tap((session) => this.keep(session)));
  }

  makeOwner(given: { secret: string; email: string; name: string; password: string }): Observable<SessionInfo> {
    const sent = this.http.post<SessionInfo>('/api/setup', given);
    return sent.pipe(tap((session) => this.keep(session)));
  }

  signOut(): Observable<void> {
    return this.http.delete<void>('/api/session').pipe(tap(() => this.keep(null)));
  }

  signOutEverywhere(): Observable<void> {
    return this.http.delete<void>('/api/sessions').pipe(tap(() => this.keep(null)));
  }

  saveSite(settings: Partial<SiteSettings>): Observable<Changed<SiteSettings>> {
    return this.http.put<Changed<SiteSettings>>('/api/site', settings);
  }

  tokens(): Observable<TokenSummary[]> {
    return this.http.get<TokenSummary[]>('/api/tokens');
  }

  addToken(name: string): Observable<TokenSummary & { secret: string }> {
    return this.http.post<TokenSummary & { secret: string }>('/api/tokens', { name });
  }

  removeToken(id: number): Observable<void> {
    return this.http.delete<void>(`/api/tokens/${id}`);
  }

  private keep(session: SessionInfo | null): void {
    this.store.session.set(session);
    markSignedIn(session?.user != null);
  }
}
