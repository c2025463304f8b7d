import type { SenderNotice } from '@plindo/core/notices';
import type { Kind } from '@plindo/core/structure';
import type { Sender, Submission } from '@plindo/core/submissions';
import type { Unit } from '../../store/index.js';
import { Telling } from '../notices/telling.js';

type Told = SenderNotice extends `submission-${infer What}` ? What : never;

/** Tells senders what becomes of what they sent in, and the office that something has come. */
export class SenderMails {
  /** `base` is what stands before the path of the sender's link; null where no address is known, and nobody is told. */
  constructor(
    private readonly unit: Unit,
    private readonly base: string | null,
  ) {}

  /** Writes to the sender, with their link; does nothing for a sender without an address. */
  async tell(what: Told, submission: Submission, sender: Sender, secret: string | null, reason: string): Promise<void> {
    const base = this.unit.structure.site.address || this.base;
    if (sender.email === '' || secret === null || base === null || base === '') return;
    const { id, version, title } = submission;
    const link = `${base}/sent/${secret}`;
    await new Telling(this.unit).tellPerson(
      `submission-${what}`,
      `${id} ${version}`,
      { title, reason },
      { to: sender.email, link },
    );
  }

  /** Tells those in the office who asked for it. */
  async tellOffice({ id, version, title }: Submission, kind: Kind, { name, email }: Sender): Promise<void> {
    const { words } = this.unit.structure;
    const one = words.inSentence(kind.one);
    await new Telling(this.unit).tellOfSite('submission-came', `${id} ${version}`, {
      title,
      one,
      who: name || email || '?',
    });
  }
}
