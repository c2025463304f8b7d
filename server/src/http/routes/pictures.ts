import { Refusal } from '@plindo/core/values';
import { PictureAddressDto, PictureHashesDto, PicturesQueryDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';
import { nameInUtf8 } from './files.js';

const PICTURES_A_WINDOW = 60;
const LONGEST_NAME = 200;

export function pictureRoutes({ pictures, pictureFetcher, pictureLibrary }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/pictures',
      permission: 'read listings',
      summary: 'A window of the kept pictures, latest first, with where they are used.',
      query: PicturesQueryDto,
      answers: 'PictureWindow',
      handle({ query: { q = '', unused = 'no', offset = 0, limit = PICTURES_A_WINDOW } }) {
        return pictureLibrary.window({ text: q, unused: unused === 'yes', offset, limit });
      },
    }),
    route({
      method: 'post',
      path: '/pictures/delete',
      permission: 'change listings',
      summary: 'Delete pictures that nothing uses.',
      body: PictureHashesDto,
      answers: 'Changed<{ pictures: number }>',
      handle: (call) => pictureLibrary.remove(signedIn(call), call.body.hashes),
    }),
    route({
      method: 'delete',
      path: '/pictures/unused',
      permission: 'change listings',
      summary: 'Delete all pictures that nothing uses, those of the last hour aside.',
      answers: 'Changed<{ pictures: number }>',
      handle: (call) => pictureLibrary.removeUnused(signedIn(call)),
    }),
    route({
      method: 'post',
      path: '/pictures/from-address',
      permission: 'import files',
      summary: 'Fetch a picture from an address of the public internet, and keep it.',
      body: PictureAddressDto,
      answers: 'SentPicture',
      async handle({ body: { address } }) {
        const name = decodeName(new URL(address).pathname);
        const { hash, width, height } = await pictures.add(await pictureFetcher.fetch(address), name);
        return { hash, width, height };
      },
    }),
    route({
      method: 'post',
      path: '/pictures',
      permission: 'change listings',
      summary: 'Keep a picture, sent as the form part "file".',
      file: 'file',
      answers: 'SentPicture',
      async handle({ request }) {
        if (!request.file) throw Refusal.of('request.malformed', { reason: 'there is no part called "file".' });
        const name = nameInUtf8(request.file.originalname);
        const { hash, width, height } = await pictures.add(request.file.buffer, name);
        return { hash, width, height };
      },
    }),
  ];
}

/** The last part of a path, as a file is called. */
function decodeName(path: string): string {
  const last = path.split('/').at(-1) || 'picture';
  try {
    return decodeURIComponent(last).slice(0, LONGEST_NAME);
  } catch {
    return last.slice(0, LONGEST_NAME);
  }
}
