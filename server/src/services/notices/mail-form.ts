import { createTransport } from 'nodemailer';
import type { Mail } from '../../store/index.js';

/** From whom mails come where nothing is said: an address that no mail can go to (RFC 2606, 2). */
export const NO_SENDER = 'plindo@plindo.invalid';

/** What sends mails. */
export type MailTransport = ReturnType<typeof createTransport>;
type Message = Parameters<MailTransport['sendMail']>[0];

/** A mail in the form in which it travels. */
export function messageOf(mail: Mail, sender: string): Message {
  const { recipient, subject, text, html, messageId, at } = mail;
  return {
    from: sender,
    to: recipient,
    subject,
    text,
    html,
    messageId,
    date: new Date(at),
    headers: {
      // No program answers this mail by itself (RFC 3834, 5).
      'Auto-Submitted': 'auto-generated',
    },
    // Who wants no more of them writes to whoever sends them (RFC 2369, 3.2).
    list: { unsubscribe: { url: `mailto:${sender}?subject=unsubscribe`, comment: 'No more notices' } },
  };
}

/** A mail as a file that mail programs open (RFC 5322). */
export async function mailFile(mail: Mail, sender: string): Promise<Buffer> {
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const { message } = await transport.sendMail(messageOf(mail, sender));
  return message as Buffer;
}
