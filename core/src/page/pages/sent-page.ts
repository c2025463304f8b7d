import { formsOf } from '../../design/index.js';
import type { QueryScene } from '../../query/index.js';
import { formModel } from '../forms/form-piece.js';
import type { SendingState } from '../forms/sending-state.js';
import type { SentState } from '../forms/sent-model.js';
import type { PageScene } from '../frame.js';
import { frame } from '../frame.js';
import type { SentPage } from '../page-model.js';

/** The first part of the addresses that senders get. */
export const SENT_SLUG = 'sent';

/** The address of what was sent by the link with a secret. */
export function sentPath(secret: string): string {
  return `/${SENT_SLUG}/${secret}`;
}

/** The page of what a visitor has sent in. */
export function sentPage(
  page: PageScene,
  queries: QueryScene,
  sent: SentState,
  sending: SendingState | null,
): SentPage {
  const { words } = page.context.formats;
  const path = sentPath(sent.secret);
  const kept = sending && formsOf(page.designs).find(({ id }) => id === sending.formId);
  const kind = kept && page.kindById(kept.kindId ?? 0);
  return {
    ...frame(page, { title: words.say('sent.title'), description: '', canonical: '/' }),
    ...{ type: 'sent', sent },
    form: kept && kind ? formModel(kept, kind, { page, queries, path, sending }) : null,
  };
}
