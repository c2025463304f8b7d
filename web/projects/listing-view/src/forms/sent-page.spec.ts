import type { SentPage, SentState } from '@plindo/core/page';
import { Shown } from '../../../../harness/shown';
import { SentPageView } from './sent-page';

const SENT: SentState = {
  ...{ secret: 's', title: 'Petrel Yard', sentence: '“Petrel Yard” has come in.', thanks: 'Thank you.', reason: '' },
  ...{ summary: [], message: '', canBeChanged: false, canBeWithdrawn: true, href: null },
};

function shownOf(sent: Partial<SentState>): Promise<Shown<SentPageView>> {
  const model = { type: 'sent', title: 'Your submission – A site', words: { locale: 'en', said: {} }, form: null };
  return Shown.of(SentPageView, { model: { ...model, sent: { ...SENT, ...sent } } as unknown as SentPage });
}

describe('The page of what was sent in', () => {
  it('says what came of it, what the office wrote, and what can still be done', async () => {
    const shown = await shownOf({ reason: 'What can they lift?' });
    expect(shown.texts('h1, .state, .reason p')).toEqual([
      ...['Your submission', '“Petrel Yard” has come in.', 'What can they lift?'],
    ]);
    expect(shown.texts('button')).toEqual(['Withdraw it']);
  });

  it('shows a message with a form to change it, as long as it is not decided', async () => {
    const message = 'They closed.\nLast week.';
    const waiting = await shownOf({ message });
    expect(waiting.all('blockquote')[0]!.textContent).toBe(message);
    expect(waiting.all<HTMLFormElement>('form').map((form) => form.getAttribute('action'))).toEqual([
      ...['/sent/s/message', '/sent/s/withdraw'],
    ]);
    expect(waiting.all<HTMLTextAreaElement>('textarea')[0]!.value).toBe(message);
    const decided = await shownOf({ message, canBeWithdrawn: false });
    expect([decided.all('blockquote').length, decided.all('form').length]).toEqual([1, 0]);
  });
});
