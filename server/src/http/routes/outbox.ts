import { NoticeWordingDto, OutboxQueryDto } from '../dto/expiry-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function outboxRoutes({ noticeWordings, outbox }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/notices/preview',
      changesNothing: true,
      permission: 'design',
      summary: 'The mail that another wording of a notice would make for a listing; nothing is kept.',
      body: NoticeWordingDto,
      answers: 'MailText',
      handle: ({ body }) => noticeWordings.preview(body),
    }),
    route({
      method: 'post',
      path: '/notices/send',
      permission: 'design',
      summary: 'Send that mail to whoever asks for it.',
      body: NoticeWordingDto,
      handle: (call) => noticeWordings.sendTo(signedIn(call), call.body),
    }),
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
      sends: 'message/rfc822',
      async handle(call) {
        const { name, content } = await outbox.file(call.id());
        call.response.type('message/rfc822').attachment(name).send(content);
      },
    }),
  ];
}
