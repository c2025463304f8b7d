import type { Problem } from '@plindo/core/contract';
import type { ErrorCode, Issue } from '@plindo/core/values';
import { ERROR_CATALOGUE, issue, Refusal, sizeWords } from '@plindo/core/values';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';

const UNPROCESSABLE = 422;
/** So many issues are told of one request; `more` says how many others there are. */
export const MOST_TOLD = 20;

/** HTTP status by code; a code that isn't here is about the content of a well-formed request: 422. */
const STATUS_BY_CODE: Partial<Record<ErrorCode, number>> = {
  'request.malformed': 400,
  'request.invalid': 400,
  'auth.required': 401,
  'auth.refused': 401,
  'auth.forbidden': 403,
  'auth.csrf': 403,
  'auth.setup-link': 403,
  'auth.second-step': 401,
  'auth.code': 401,
  'auth.link': 403,
  'auth.session-only': 403,
  'auth.step-needed': 403,
  'auth.read-only': 403,
  'people.taken': 409,
  'people.last-owner': 409,
  'people.still-on': 409,
  'token.too-many': 409,
  'backup.running': 409,
  'request.not-found': 404,
  'change.clash': 409,
  'change.conflict': 409,
  'change.not-undoable': 409,
  'change.already-undone': 409,
  'kind.label-taken': 409,
  'kind.slug-taken': 409,
  'category.set-taken': 409,
  'selection.taken': 409,
  'design.taken': 409,
  'value.taken': 409,
  'listing.slug-taken': 409,
  'desk.too-many': 429,
  'import.order': 409,
  'import.unfinished': 409,
  'picture.used-lately': 409,
  'import.gone': 410,
  'form.gone': 410,
  'form.stale': 410,
  'form.sent-already': 409,
  'submission.decided': 409,
  'submission.account': 409,
  'request.too-large': 413,
  'file.too-large': 413,
  'file.too-big': 413,
  'picture.too-large': 413,
  'picture.type': 415,
  'file.type': 415,
  'request.too-many': 429,
  'server.unexpected': 500,
  'server.store-away': 503,
  'server.disk-full': 507,
  'server.read-only': 503,
  'server.store-damaged': 503,
};

export function statusOf(code: ErrorCode): number {
  return STATUS_BY_CODE[code] ?? UNPROCESSABLE;
}

/** Problem details (RFC 9457) of one or more issues; the first gives code and status. */
export function problemOf(issues: readonly [Issue, ...Issue[]]): Problem {
  const [{ code, message }] = issues;
  const told = issues.slice(0, MOST_TOLD);
  const more = issues.length - told.length;
  return {
    type: `/api/errors#${code}`,
    title: message,
    status: statusOf(code),
    code,
    issues: told,
    ...(more && { more }),
  };
}

export function sendProblem(response: Response, problem: Problem): void {
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

/** Turns whatever a route throws into problem details; what nobody foresaw is logged and told without its insides. */
export function problemHandler(log: Logger, troubleOf: (error: unknown) => ErrorCode | null): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const trouble = troubleOf(error);
    const known = issuesOf(error) ?? (trouble ? ([issue(trouble)] as const) : null);
    if (trouble) log.warn({ err: error }, 'the store or the disk');
    if (!known) log.error({ err: error, method: request.method, path: request.path }, 'unexpected error');
    sendProblem(response, problemOf(known ?? [issue('server.unexpected')]));
  };
}

function issuesOf(error: unknown): readonly [Issue, ...Issue[]] | null {
  if (error instanceof Refusal) return error.issues;
  const { type, limit, status } = error as { type?: string; limit?: number; status?: number };
  if (type === 'entity.too.large') return [issue('request.too-large', { greatest: sizeWords(limit ?? 0) })];
  const reason = type ? REASONS[type] : undefined;
  if (reason !== undefined) return [issue('request.malformed', { reason })];
  return status === 400 ? [issue('request.malformed', { reason: 'it is not well formed.' })] : null;
}

/** What is wrong with a body that the JSON reader gives up, by its names for that. */
const REASONS: Readonly<Record<string, string>> = {
  'entity.parse.failed': 'it is not valid JSON.',
  'encoding.unsupported': 'it is packed in a way that is not known here. Send it unpacked.',
  'charset.unsupported': 'its letters are not in UTF-8.',
};

/** All codes with their sentence and status, for the documents. */
export function errorTable(): { code: string; status: number; sentence: string }[] {
  return (Object.keys(ERROR_CATALOGUE) as ErrorCode[]).map((code) => ({
    code,
    status: statusOf(code),
    sentence: ERROR_CATALOGUE[code],
  }));
}
