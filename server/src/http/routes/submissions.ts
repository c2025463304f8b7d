import { SUBMISSION_STATES } from '@plindo/core/submissions';
import type { Request } from 'express';
import {
  AcceptanceDto,
  DecideTogetherDto,
  DecisionDto,
  MergingDto,
  QueueDto,
  SubmissionVersionDto,
} from '../dto/submission-dtos.js';
import { publicAddress } from '../public-address.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

const SUBMISSIONS_A_WINDOW = 50;

/** What the office does with what visitors have sent in, and what contributors see of their own. */
export function submissionRoutes({ review, live }: Services): Route[] {
  const base = (request: Request): string => publicAddress(live.site(), request);
  const permission = 'review submissions';
  return [
    route({
      method: 'get',
      path: '/submissions',
      permission,
      summary: 'What visitors have sent in, the oldest first.',
      query: QueueDto,
      answers: 'SubmissionQueue',
      handle({ query }) {
        const { state = 'waiting', suspected = 'no', kind = null, offset = 0, limit = SUBMISSIONS_A_WINDOW } = query;
        const states = state === 'all' ? SUBMISSION_STATES : [state];
        return review.queue({ states, suspected: suspected === 'yes', kindId: kind, userId: null, offset, limit });
      },
    }),
    route({
      method: 'get',
      path: '/submissions/counts',
      permission,
      summary: 'How many submissions wait for review, and how many may be misuse.',
      answers: 'SubmissionCounts',
      handle: () => review.counts(),
    }),
    route({
      method: 'get',
      path: '/submissions/own',
      permission: 'see own submissions',
      summary: 'What whoever asks has sent in, the latest first.',
      answers: 'OwnSubmission[]',
      handle: (call) => review.own(signedIn(call)),
    }),
    route({
      method: 'post',
      path: '/submissions/decide',
      permission,
      summary: 'Decide the same about several submissions, each as a change of its own.',
      body: DecideTogetherDto,
      answers: 'DecidedSubmissions',
      handle: (call) => {
        const { act, submissions, reason = '' } = call.body;
        return review.together(signedIn(call), act, submissions, reason, base(call.request));
      },
    }),
    route({
      method: 'get',
      path: '/submissions/:id',
      permission,
      summary: 'A submission with all that is needed to decide about it.',
      answers: 'SubmissionDetail',
      handle: (call) => review.one(call.id()),
    }),
    route({
      method: 'post',
      path: '/submissions/:id/accept',
      permission,
      summary: 'Accept a submission: a new one becomes a listing, a correction changes its listing.',
      body: AcceptanceDto,
      answers: 'Changed<SubmissionSummary>',
      handle: (call) => review.accept(signedIn(call), call.id(), withReason(call.body), base(call.request)),
    }),
    route({
      method: 'post',
      path: '/submissions/:id/merge',
      permission,
      summary: 'Add a submission to a listing that is there already.',
      body: MergingDto,
      answers: 'Changed<SubmissionSummary>',
      handle: (call) => review.merge(signedIn(call), call.id(), withReason(call.body), base(call.request)),
    }),
    route({
      method: 'post',
      path: '/submissions/:id/return',
      permission,
      summary: 'Give a submission back to its sender, with what is to be changed.',
      body: DecisionDto,
      answers: 'Changed<SubmissionSummary>',
      handle: (call) => review.giveBack(signedIn(call), call.id(), withReason(call.body), base(call.request)),
    }),
    route({
      method: 'post',
      path: '/submissions/:id/refuse',
      permission,
      summary: 'Refuse a submission.',
      body: DecisionDto,
      answers: 'Changed<SubmissionSummary>',
      handle: (call) => review.refuse(signedIn(call), call.id(), withReason(call.body), base(call.request)),
    }),
    route({
      method: 'post',
      path: '/submissions/:id/trust',
      permission,
      summary: 'Take a submission off the heap of what may be misuse.',
      body: SubmissionVersionDto,
      answers: 'Changed<SubmissionSummary>',
      handle: (call) => review.trust(signedIn(call), call.id(), call.body.version, base(call.request)),
    }),
  ];
}

/** A decision with what the sender is told, '' for nothing. */
function withReason<Body extends { readonly reason?: string | null }>(body: Body): Body & { readonly reason: string } {
  return { ...body, reason: body.reason ?? '' };
}
