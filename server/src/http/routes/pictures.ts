import { Refusal } from '../../services/refusal.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function pictureRoutes({ pictures }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/pictures',
      permission: 'change listings',
      summary: 'Keep a picture, sent as the form part "file".',
      file: 'file',
      answers: 'PictureRecord',
      handle({ request }) {
        if (!request.file) throw Refusal.of('request.malformed', { reason: 'there is no part called "file".' });
        return pictures.add(request.file.buffer, request.file.originalname);
      },
    }),
  ];
}
