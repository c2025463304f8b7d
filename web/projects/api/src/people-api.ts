import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  DoorEvent,
  OneTimeLink,
  OwnAccess,
  OwnData,
  People,
  Role,
  SecondStepStart,
  TokenSummary,
  User,
} from '@plindo/core/contract';
import type { Observable } from 'rxjs';

/** Who works here, for owners. */
@Injectable({ providedIn: 'root' })
export class PeopleApi {
  private readonly http = inject(HttpClient);

  all(): Observable<People> {
    return this.http.get<People>('/api/people');
  }

  invite(given: { email: string; name: string; role: Role }): Observable<OneTimeLink> {
    return this.http.post<OneTimeLink>('/api/people/invitations', given);
  }

  withdraw(id: number): Observable<void> {
    return this.http.delete<void>(`/api/people/invitations/${id}`);
  }

  change(id: number, change: { role?: Role; isOff?: boolean }): Observable<void> {
    return this.http.patch<void>(`/api/people/${id}`, change);
  }

  passwordLink(id: number): Observable<OneTimeLink> {
    return this.http.post<OneTimeLink>(`/api/people/${id}/password-link`, {});
  }

  erase(id: number): Observable<void> {
    return this.http.delete<void>(`/api/people/${id}`);
  }

  door(): Observable<DoorEvent[]> {
    return this.http.get<DoorEvent[]>('/api/door');
  }
}

/** What somebody sees and changes of their own access. */
@Injectable({ providedIn: 'root' })
export class OwnAccessApi {
  private readonly http = inject(HttpClient);

  load(): Observable<OwnAccess> {
    return this.http.get<OwnAccess>('/api/me');
  }

  data(): Observable<OwnData> {
    return this.http.get<OwnData>('/api/me/data');
  }

  setDetails(given: { name: string; email: string; password: string }): Observable<User> {
    return this.http.put<User>('/api/me', given);
  }

  setPassword(given: { password: string; next: string }): Observable<void> {
    return this.http.put<void>('/api/me/password', given);
  }

  startSecondStep(password: string): Observable<SecondStepStart> {
    return this.http.post<SecondStepStart>('/api/me/second-step/start', { password });
  }

  /** Answers the spare codes. */
  turnOn(given: { secret: string; code: string; password: string }): Observable<string[]> {
    return this.http.put<string[]>('/api/me/second-step', given);
  }

  turnOff(password: string): Observable<void> {
    return this.http.post<void>('/api/me/second-step/off', { password });
  }

  endSession(id: string): Observable<void> {
    return this.http.delete<void>(`/api/sessions/${id}`);
  }

  tokens(): Observable<TokenSummary[]> {
    return this.http.get<TokenSummary[]>('/api/tokens');
  }

  addToken(given: {
    name: string;
    readOnly: boolean;
    days: number | null;
  }): Observable<TokenSummary & { secret: string }> {
    return this.http.post<TokenSummary & { secret: string }>('/api/tokens', given);
  }

  removeToken(id: number): Observable<void> {
    return this.http.delete<void>(`/api/tokens/${id}`);
  }
}
