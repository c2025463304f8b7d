import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  Changed,
  FileUpdate,
  FileUpdateResult,
  ImportBatch,
  ImportStart,
  ImportState,
} from '@plindo/core/contract';
import type { BadValuePolicy, ListingName, MatchedRow, RowComparison } from '@plindo/core/exchange';
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

  /** What names each listing of a kind: "@title", "@slug", or the key of a field. */
  names(kindId: number, by: string): Observable<ListingName[]> {
    return this.http.get<ListingName[]>(`/api/kinds/${kindId}/names`, { params: { by } });
  }

  /** What rows would make of the listings that they are about. */
  compare(kindId: number, rows: readonly MatchedRow[], policy: BadValuePolicy): Observable<RowComparison[]> {
    return this.http.post<RowComparison[]>(`/api/kinds/${kindId}/compare`, { rows, policy });
  }

  updateFromFile(kindId: number, update: FileUpdate): Observable<Changed<FileUpdateResult>> {
    return this.http.post<Changed<FileUpdateResult>>(`/api/kinds/${kindId}/update-from-file`, update);
  }
}
