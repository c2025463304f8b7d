import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  Acceptance,
  Changed,
  DecidedSubmissions,
  DecidedTogether,
  Decision,
  Merging,
  OwnSubmission,
  SubmissionCounts,
  SubmissionDetail,
  SubmissionQueue,
  SubmissionSummary,
} from '@plindo/core/contract';
import type { SubmissionState } from '@plindo/core/submissions';
import type { Observable } from 'rxjs';

/** Which submissions of the queue are asked for. */
export interface QueueQuestion {
  readonly state: SubmissionState | 'all';
  readonly suspected: 'yes' | 'no';
  readonly offset?: number;
}

/** What visitors have sent in, for the office and for whoever has sent it with an account. */
@Injectable({ providedIn: 'root' })
export class SubmissionsApi {
  private readonly http = inject(HttpClient);

  queue(question: QueueQuestion): Observable<SubmissionQueue> {
    return this.http.get<SubmissionQueue>('/api/submissions', { params: { ...question } });
  }

  counts(): Observable<SubmissionCounts> {
    return this.http.get<SubmissionCounts>('/api/submissions/counts');
  }

  /** What whoever asks has sent in. */
  own(): Observable<OwnSubmission[]> {
    return this.http.get<OwnSubmission[]>('/api/submissions/own');
  }

  one(id: number): Observable<SubmissionDetail> {
    return this.http.get<SubmissionDetail>(`/api/submissions/${id}`);
  }

  accept(id: number, given: Acceptance): Observable<Changed<SubmissionSummary>> {
    return this.decide(id, 'accept', given);
  }

  merge(id: number, given: Merging): Observable<Changed<SubmissionSummary>> {
    return this.decide(id, 'merge', given);
  }

  giveBack(id: number, given: Decision): Observable<Changed<SubmissionSummary>> {
    return this.decide(id, 'return', given);
  }

  refuse(id: number, given: Decision): Observable<Changed<SubmissionSummary>> {
    return this.decide(id, 'refuse', given);
  }

  /** Takes it off the heap of what may be misuse. */
  trust(id: number, version: number): Observable<Changed<SubmissionSummary>> {
    return this.decide(id, 'trust', { version });
  }

  /** Decides the same about several. */
  together(
    act: DecidedTogether,
    submissions: readonly Pick<SubmissionSummary, 'id' | 'version'>[],
    reason: string,
  ): Observable<DecidedSubmissions> {
    const named = submissions.map(({ id, version }) => ({ id, version }));
    return this.http.post<DecidedSubmissions>('/api/submissions/decide', { act, submissions: named, reason });
  }

  private decide(id: number, act: string, body: object): Observable<Changed<SubmissionSummary>> {
    return this.http.post<Changed<SubmissionSummary>>(`/api/submissions/${id}/${act}`, body);
  }

  /** Takes away for good who sent something in, of all that came from the same e-mail address. */
  eraseSender(id: number): Observable<void> {
    return this.http.delete<void>(`/api/submissions/${id}/sender`);
  }
}
