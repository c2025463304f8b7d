import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { AddressLook, FormerAddresses } from '@plindo/core/contract';
import type { Observable } from 'rxjs';

/** What stands at addresses of the site, and what stood there before. */
@Injectable({ providedIn: 'root' })
export class AddressesApi {
  private readonly http = inject(HttpClient);

  /** Addresses that Plindo remembers, those that have a text in them. */
  former(q: string): Observable<FormerAddresses> {
    return this.http.get<FormerAddresses>('/api/addresses/former', { params: { q } });
  }

  /** What is at each of some addresses; at most 500. */
  look(addresses: readonly string[]): Observable<AddressLook[]> {
    return this.http.post<AddressLook[]>('/api/addresses/look', { addresses });
  }
}
