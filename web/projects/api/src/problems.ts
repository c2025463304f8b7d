import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@plindo/core/contract';
import type { Issue } from '@plindo/core/values';

/** The issues that an answer of the server tells; one of our own when the server couldn't be reached. */
export function issuesOf(error: unknown): readonly Issue[] {
  if (error instanceof HttpErrorResponse) {
    const problem = error.error as Partial<Problem> | null;
    if (problem?.issues?.length) return problem.issues;
    if (error.status === 0) {
      return [{ code: 'server.unexpected', message: 'The server cannot be reached. Nothing was lost; try again.' }];
    }
  }
  return [{ code: 'server.unexpected', message: 'Something went wrong. Try again.' }];
}

/** The first of {@link issuesOf} as a sentence. */
export function sentenceOf(error: unknown): string {
  return issuesOf(error)[0]?.message ?? '';
}

/** The code of the first thing that is wrong; '' for none. */
export function codeOf(error: unknown): string {
  return issuesOf(error)[0]?.code ?? '';
}
