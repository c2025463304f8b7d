import { Refusal } from '@plindo/core/values';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function fileRoutes({ files }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/files',
      permission: 'change listings',
      summary: 'Keep a file, sent as the form part "file".',
      file: 'file',
      answers: 'KeptFile',
      handle({ request }) {
        if (!request.file) throw Refusal.of('request.malformed', { reason: 'there is no part called "file".' });
        return files.add(request.file.buffer, nameInUtf8(request.file.originalname));
      },
    }),
  ];
}

/** Form parts carry their names' bytes as Latin-1; what is valid UTF-8 was meant so. */
export function nameInUtf8(name: string): string {
  const bytes = Buffer.from(name, 'latin1');
  const text = bytes.toString('utf8');
  return Buffer.from(text, 'utf8').equals(bytes) ? text : name;
}
