import type { RequestHandler } from 'express';
import { looksOf, scopedCss } from '@plindo/core/design';
import { ownSheetOf } from '@plindo/core/page';
import type { Services } from './services.js';

const FOR_GOOD = 'public, max-age=31536000, immutable';

/** Sends the publisher's own CSS, as far as it holds inside pages; its address says which text it is. */
export function ownSheetRouter({ live }: Services): RequestHandler {
  return (request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    if (!request.path.startsWith('/own-sheets/')) return next();
    const looks = looksOf([...live.designs(), ...live.drafts()]);
    const look = looks.find(({ definition }) => ownSheetOf(definition) === request.path);
    if (!look) return next();
    response.type('text/css').set('Cache-Control', FOR_GOOD).send(scopedCss(look.definition.css));
  };
}
