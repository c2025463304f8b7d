import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { ImportBatch, ImportStart, ImportState } from '@plindo/core/contract';
import type { Observable } from 'rxjs';

/** Files on their way in. */
@Injectable({ providedIn: 'root' })
export class ImportsApi {
  private readonly http = inject(HttpClient);

  start(given: ImportStart): Observable<ImportState> {
    return this.http.post<ImportState>('/api/imports', given);
  }

  sendRows(id: number, batch: ImportBatch): Observable<ImportState> {
    return this.http.post<ImportState>(`/api/imports/${id}/rows`, batch);
  }

  finish(id: number): Observable<ImportState> {
    return this.http.post<ImportState>(`/api/imports/${id}/finish`, {});
  }

  cancel(id: number): Observable<ImportState> {
    return this.http.delete<ImportState>(`/api/imports/${id}`);
  }
}
