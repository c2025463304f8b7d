import type { Observable } from 'rxjs';
import { fromFetch } from 'rxjs/fetch';

/**
 * What an address of the API answers, by the browser's own means, so that visitors needn't fetch Angular's client, which
 * can do much that no visitor needs. Ends with an error where the answer is none.
 */
export function fetched<Of>(path: string, params: Readonly<Record<string, string>> = {}): Observable<Of> {
  return fromFetch(`${path}?${new URLSearchParams(params).toString()}`, {
    async selector(response) {
      if (!response.ok) throw new Error(`${path} was answered with ${response.status}.`);
      return (await response.json()) as Of;
    },
  });
}
