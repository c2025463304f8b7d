import { simpleParser } from 'mailparser';
import type { AddressInfo } from 'node:net';
import type { SMTPServerSession } from 'smtp-server';
import { SMTPServer } from 'smtp-server';
import { Store } from '../store/index.js';
import { databaseIn, removeDatabase, storeFolder } from '../../testing/database.js';
import { mailFile } from '../services/notices/mail-form.js';
import { Mailer } from './mailer.js';

const SENDER = 'guide@example.org';

describe('The mailer', () => {
  let [folder, now] = ['', Date.UTC(2026, 11, 4)];
  let store: Store;
  beforeEach(async () => {
    folder = storeFolder();
    now = Date.UTC(2026, 11, 4);
    store = await Store.open(await databaseIn(folder), () => new Date(now));
  });
  afterEach(async () => {
    await store.close();
    await removeDatabase(folder);
  });

  const write = (...recipients: string[]): Promise<void> =>
    store.aside((unit) =>
      unit.outbox.addMails(
        recipients.map((recipient) => ({
          ...{ key: `k ${recipient}`, about: 'has-left' as const, recipient, subject: 'Knöten – ist weg' },
          ...{ text: 'Zeile 1\n.\nZeile 3', html: '<p>Zeile 1</p>' },
        })),
      ),
    );
  const mailer = (server: string | null): Mailer =>
    new Mailer({ store, node: 'a', clock: () => new Date(now), server, sender: SENDER });

  it('leaves mails where they are when there is no mail server', async () => {
    await write('ada@example.org');
    expect(await mailer(null).send()).toBeTrue();
    expect(await mailer(null).send()).toBeFalse();
    const { mails } = await store.mails.latest('', null, 10);
    expect(mails.map(({ state, attempts }) => [state, attempts])).toEqual([['kept', 0]]);
  });

  it('writes files that a mail program reads as they were meant', async () => {
    await write('ada@example.org');
    const [mail] = (await store.mails.latest('', null, 10)).mails;
    const read = await simpleParser(await mailFile(mail!, SENDER));
    expect([read.subject, read.text?.trim(), read.html]).toEqual([
      'Knöten – ist weg',
      'Zeile 1\n.\nZeile 3',
      '<p>Zeile 1</p>',
    ]);
    expect([read.from?.value[0]?.address, read.messageId, read.date?.getTime()]).toEqual([
      SENDER,
      mail!.messageId,
      now,
    ]);
    expect(JSON.stringify(read.headers.get('list'))).toContain('unsubscribe');
  });

  it('sends each once, tries again what was refused for now, and gives up what was refused for good', async () => {
    const got: { to: string; id: string }[] = [];
    let isBusy = true;
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onRcptTo({ address }, _session: SMTPServerSession, done) {
        const refused = (code: number, message: string): Error =>
          Object.assign(new Error(message), { responseCode: code });
        if (address.startsWith('gone')) return done(refused(550, 'No such mailbox here'));
        return isBusy && address.startsWith('busy') ? done(refused(450, 'Try later')) : done();
      },
      onData(stream, { envelope }, done) {
        void simpleParser(stream).then(({ messageId = '' }) => {
          got.push({ to: envelope.rcptTo[0]!.address, id: messageId });
          done();
        });
      },
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.server.address() as AddressInfo;
    const sending = mailer(`smtp://127.0.0.1:${port}`);
    await write('ada@example.org', 'busy@example.org', 'gone@example.org');
    await write('ada@example.org');
    while (await sending.send());
    const states = async (): Promise<unknown[]> =>
      (await store.mails.latest('', null, 10)).mails
        .map(({ recipient, state, code }) => [recipient, state, code])
        .reverse();
    expect(await states()).toEqual([
      ['ada@example.org', 'sent', 250],
      ['busy@example.org', 'waiting', 450],
      ['gone@example.org', 'refused', 550],
    ]);
    expect((await store.mails.failed(10)).map(({ fault }) => fault)).toEqual([
      jasmine.stringContaining('No such mailbox'),
      jasmine.stringContaining('Try later'),
    ]);
    isBusy = false;
    expect(await sending.send()).toBeFalse();
    now += 61_000;
    while (await sending.send());
    expect(got.map(({ to }) => to)).toEqual(['ada@example.org', 'busy@example.org']);
    expect(new Set(got.map(({ id }) => id)).size).toBe(2);
    sending.close();
    await new Promise<void>((resolve) => server.close(() => resolve()));
  });
});
