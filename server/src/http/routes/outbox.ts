import { OutboxQueryDto } from '../dto/expiry-dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function outboxRoutes({ outbox }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/mails',
      permission: 'read mails',
      summary: 'Mails of the outbox, the latest first.',
      query: OutboxQueryDto,
      answers: 'MailWindow',
      handle: ({ query }) => outbox.latest(query.q ?? '', query.before ?? null),
    }),
    route({
      method: 'get',
      path: '/mails/:id',
      permission: 'read mails',
      summary: 'One mail with all that it says.',
      answers: 'MailWhole',
      handle: (call) => outbox.one(call.id()),
    }),
    route({
      method: 'get',
      path: '/mails/:id/eml',
      permission: 'read mails',
      summary: 'One mail as a file that mail programs open (RFC 5322).',
      async handle(call) {
        const { name, content } = await outbox.file(call.id());
        call.response.type('message/rfc822').attachment(name).send(content);
      },
    }),
  ];
}
