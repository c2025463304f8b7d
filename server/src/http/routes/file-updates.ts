import { CompareDto, FileUpdateDto, NamesQueryDto } from '../dto/file-update-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function fileUpdateRoutes({ fileUpdates }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/kinds/:id/names',
      permission: 'read listings',
      summary: 'What names each listing of a kind: its title, its address, or a field.',
      query: NamesQueryDto,
      answers: 'ListingName[]',
      handle: (call) => fileUpdates.names(call.id(), call.query.by),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/compare',
      permission: 'change listings',
      summary: 'What rows of a file would make of the listings that they are about; nothing is changed.',
      body: CompareDto,
      largestBody: '32mb',
      checksTexts: true,
      answers: 'RowComparison[]',
      handle: (call) => fileUpdates.compare(call.id(), call.body.rows, call.body.policy),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/update-from-file',
      permission: 'change listings',
      summary: 'Add, change, and hide or bin listings as a file has it, as one change: all of it or nothing.',
      body: FileUpdateDto,
      largestBody: '32mb',
      answers: 'Changed<FileUpdateResult>',
      handle: (call) => fileUpdates.carryOut(signedIn(call), call.id(), call.body),
    }),
  ];
}
