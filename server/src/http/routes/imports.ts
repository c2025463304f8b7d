import { ImportBatchDto, ImportStartDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function importRoutes({ imports }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/imports',
      permission: 'import files',
      summary: 'Begin an import: makes the kind, which shows nowhere until the import is finished.',
      body: ImportStartDto,
      answers: 'ImportState',
      handle: (call) => imports.start(signedIn(call), call.body),
    }),
    route({
      method: 'get',
      path: '/imports/:id',
      permission: 'import files',
      summary: 'How far an import is.',
      answers: 'ImportState',
      handle: (call) => imports.state(signedIn(call), call.id()),
    }),
    route({
      method: 'post',
      path: '/imports/:id/rows',
      permission: 'import files',
      summary: 'Send the next rows; each batch is written in one transaction.',
      body: ImportBatchDto,
      // A single row may hold 200 cells of 100,000 characters.
      largestBody: '32mb',
      checksTexts: true,
      answers: 'ImportState',
      handle: (call) => imports.takeIn(signedIn(call), call.id(), call.body),
    }),
    route({
      method: 'post',
      path: '/imports/:id/finish',
      permission: 'import files',
      summary: 'End an import: its listings are there now, and the whole is one change that can be undone.',
      answers: 'ImportState',
      handle: (call) => imports.finish(signedIn(call), call.id()),
    }),
    route({
      method: 'delete',
      path: '/imports/:id',
      permission: 'import files',
      summary: 'Cancel an import; nothing of it is left.',
      answers: 'ImportState',
      handle: (call) => imports.cancel(signedIn(call), call.id()),
    }),
  ];
}
