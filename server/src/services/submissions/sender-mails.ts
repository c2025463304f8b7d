import type { SenderNotice } from '@plindo/core/notices';
import type { Kind } from '@plindo/core/structure';
import type { Intent, Sender, Submission } from '@plindo/core/submissions';
import type { Word } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { Telling } from '../notices/telling.js';

/** What was sent in, as its sender is told of it, and as the office is. */
const YOURS: Readonly<Record<Intent, Word>> = {
  new: 'submission.listing',
  correction: 'submission.your-correction',
  wrong: 'submission.your-message',
  mine: 'submission.your-message',
};
const SOMEBODYS: Readonly<Record<Intent, Word>> = {
  new: 'submission.listing',
  correction: 'submission.correction',
  wrong: 'submission.message',
  mine: 'submission.message',
};

type Told = SenderNotice extends `submission-${infer What}` ? What : never;

/** Tells senders what becomes of what they sent in, and the office that something has come. */
export class SenderMails {
  /** `base` is what stands before the path of the sender's link; null where no address is known, and nobody is told. */
  constructor(
    private readonly unit: Unit,
    private readonly base: string | null,
  ) {}

  /** Writes to the sender, with their link; does nothing for a sender without an address. */
  async tell(
    about: Told,
    submission: Submission,
    sender: Sender,
    secret: string | null,
    reason: string,
  ): Promise<void> {
    const base = this.unit.structure.site.address || this.base;
    if (sender.email === '' || secret === null || base === null || base === '') return;
    const { id, version, title } = submission;
    const what = this.inWords(YOURS, submission);
    const link = `${base}/sent/${secret}`;
    await new Telling(this.unit).tellPerson(
      `submission-${about}`,
      `${id} ${version}`,
      { title, what, reason },
      { to: sender.email, link },
    );
  }

  /** Tells those in the office who asked for it. */
  async tellOffice(submission: Submission, kind: Kind, { name, email }: Sender): Promise<void> {
    const { id, version, title } = submission;
    const { words } = this.unit.structure;
    const one = words.inSentence(kind.one);
    await new Telling(this.unit).tellOfSite('submission-came', `${id} ${version}`, {
      ...{ title, one, what: this.inWords(SOMEBODYS, submission) },
      who: name || email || '?',
    });
  }

  private inWords(words: Readonly<Record<Intent, Word>>, { intent, title }: Submission): string {
    return this.unit.structure.words.say(words[intent], { title });
  }
}
