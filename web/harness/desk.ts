import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { TestRequest } from '@angular/common/http/testing';
import type { Provider } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { SessionStore } from '@plindo/api';
import type { Role } from '@plindo/core/contract';

/** What components of the Desk ask for, answered by a test; requests that nobody answers stay open. */
export class DeskServer {
  private readonly requests: HttpTestingController;

  /** Somebody with a role is signed in; `providers` give what else a component injects. */
  constructor(role: Role = 'owner', providers: readonly Provider[] = []) {
    TestBed.configureTestingModule({
      providers: [provideRouter([]), provideHttpClient(), provideHttpClientTesting(), ...providers],
    });
    this.requests = TestBed.inject(HttpTestingController);
    const user = { id: 1, email: 'ana@example.org', name: 'Ana', role };
    const site = { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' };
    TestBed.inject(SessionStore).session.set({ user, site, csrf: '', needsStep: false, needsOwner: false });
  }

  /** The requests to an address that wait for an answer, oldest first. */
  waiting(method: string, url: string): TestRequest[] {
    return this.requests.match((request) => request.method === method && request.url === url);
  }

  /** Answers all that waits at an address, and gives what was sent to it. */
  async answer(method: string, url: string, body: object | null): Promise<unknown[]> {
    const sent = this.waiting(method, url).map((request) => {
      request.flush(body);
      return request.request.body as unknown;
    });
    // What a promise waits for goes on in a turn of its own.
    await new Promise((resolve) => setTimeout(resolve));
    return sent;
  }

  /** Refuses what waits at an address with problem details. */
  refuse(method: string, url: string, ...issues: readonly { code: string; message: string }[]): void {
    for (const request of this.waiting(method, url)) {
      request.flush({ issues }, { status: 422, statusText: 'Unprocessable Content' });
    }
  }
}
