import { basename, dirname } from 'node:path';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function backupRoutes({ backups }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/backups',
      permission: 'keep backups',
      summary: 'The backups that were made, and those that could not be, the last one first.',
      answers: 'Backups',
      handle: () => backups.all(),
    }),
    route({
      method: 'post',
      path: '/backups',
      permission: 'keep backups',
      summary: 'Begin a backup; it goes on after the answer.',
      handle: () => backups.begin(),
    }),
    route({
      method: 'get',
      path: '/backups/:id/zip',
      permission: 'keep backups',
      summary: 'A backup as a file. It holds everything, the hashes of passwords too.',
      sends: 'application/zip',
      async handle(call) {
        const { path, name } = await backups.file(call.id());
        await new Promise<void>((resolve, reject) => {
          const sent = { root: dirname(path), dotfiles: 'allow' } as const;
          call.response.attachment(name).sendFile(basename(path), sent, (error) => (error ? reject(error) : resolve()));
        });
      },
    }),
  ];
}
