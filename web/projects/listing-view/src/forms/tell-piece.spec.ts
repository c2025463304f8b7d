import type { SendingState } from '@plindo/core/page';
import { Shown } from '../../../../harness/shown';
import { TellPiece } from './tell-piece';

const PIECE = {
  ...{ id: 'tell', type: 'tell', listingId: 7, title: 'Petrel Yard', path: '/boatyards/petrel-yard' },
  ...{ canTell: true, canClaim: true, attempt: null },
};
const missing = { field: 'message', message: 'What is wrong? is needed.' };

describe('What visitors tell of a listing', () => {
  let shown: Shown<TellPiece>;
  let sent: [string, Record<string, string>][];
  /** What the server says to whoever looks over nothing, and then something. */
  let answers: Partial<SendingState>[];

  beforeEach(async () => {
    sent = [];
    answers = [
      { token: 'begun', faults: [missing] },
      { token: 'whole', faults: [missing] },
    ];
    spyOn(window, 'fetch').and.callFake(async (address, request) => {
      const parts = [...(request?.body as FormData)].map(([name, value]) => [name, value as string]);
      sent.push([address as string, Object.fromEntries(parts) as Record<string, string>]);
      return new Response(JSON.stringify(answers.shift()), { status: 200 });
    });
    shown = await Shown.of(TellPiece, { piece: PIECE });
  });
  const asked = async (times: number): Promise<void> => {
    for (let waits = 0; sent.length < times && waits < 200; waits++) await new Promise((go) => setTimeout(go, 10));
    await shown.settled();
  };

  it('is begun once, when somebody begins to write, and says so when it is sent', async () => {
    const [message] = shown.all<HTMLTextAreaElement>('textarea');
    message!.dispatchEvent(new Event('focusin', { bubbles: true }));
    message!.value = 'They closed.';
    message!.dispatchEvent(new Event('input', { bubbles: true }));
    await asked(1);
    expect(sent).toEqual([['/tell/7/look', { intent: 'wrong' }]]);
    await shown.press('Tell the office');
    await asked(2);
    const [address, parts] = sent[1]!;
    expect(address).toBe('/tell/7/look');
    expect(parts).toEqual(jasmine.objectContaining({ intent: 'wrong', message: 'They closed.', token: 'begun' }));
  });

  it('keeps what is written and says what is missing, where it is missing', async () => {
    answers.shift();
    const [message] = shown.all<HTMLTextAreaElement>('textarea');
    message!.value = 'They closed.';
    await shown.press('Tell the office');
    await asked(1);
    await new Promise((go) => setTimeout(go, 50));
    await shown.settled();
    expect(shown.texts('.fault')).toEqual(['What is wrong? is needed.']);
    expect(shown.all('details').map((part) => part.hasAttribute('open'))).toEqual([true, false]);
    expect(message!.value).toBe('They closed.');
  });
});
