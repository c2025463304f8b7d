import type { ErrorCode, Issue, IssueParams } from './errors.js';
import { issue } from './errors.js';
import type { Refused } from './result.js';

/**
 * Thrown where something is refused in the middle of a change: the issues, the first of which gives the code of the
 * answer. Plans answer with issues; what carries them out throws this, so that its transaction is rolled back.
 */
export class Refusal extends Error {
  readonly code: ErrorCode;

  constructor(readonly issues: readonly [Issue, ...Issue[]]) {
    super(issues[0].message);
    this.name = 'Refusal';
    this.code = issues[0].code;
  }

  static of(code: ErrorCode, params: IssueParams = {}, field?: string): Refusal {
    return new Refusal([issue(code, params, field === undefined ? {} : { field })]);
  }
}

/** Throws a refusal when there is any issue. */
export function refuseIfAny(issues: readonly Issue[]): void {
  const [first, ...rest] = issues;
  if (first) throw new Refusal([first, ...rest]);
}

/** What stands in the way of a value, to be thrown. */
export function refusalOf({ issue: first, more = [] }: Refused): Refusal {
  return new Refusal([first, ...more]);
}
