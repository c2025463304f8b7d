import type { GivenConsent, Sender, SubmissionSender } from '@plindo/core/submissions';
import type { Row } from '../records.js';
import { numberOrNull, parsed } from '../records.js';

/** What is kept of a submission and stands in no change log. */
export interface SubmissionBesides extends SubmissionSender {
  /** A hash of the secret in the sender's link, and the secret itself, encrypted. */
  readonly secretHash: string;
  readonly sealedSecret: string;
  /** A hash of its texts, by which the same sent again is found. */
  readonly fingerprint: string;
}

export function rowOfBesides({ sender, consents, secretHash, sealedSecret, fingerprint }: SubmissionBesides): Row {
  const { name, email, userId } = sender;
  return { userId, email, secretHash, sealedSecret, fingerprint, sender: { name, consents } };
}

export function besidesOf(row: Row): SubmissionBesides {
  const { name, consents } = parsed<{ name: string; consents: GivenConsent[] }>(row['sender']);
  const sender: Sender = { name, email: String(row['email']), userId: numberOrNull(row['userId']) };
  return {
    ...{ sender, consents, secretHash: String(row['secretHash']), sealedSecret: String(row['sealedSecret']) },
    fingerprint: String(row['fingerprint']),
  };
}
