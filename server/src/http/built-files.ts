import { readdirSync } from 'node:fs';
import { extname } from 'node:path';
import express from 'express';
import type { RequestHandler } from 'express';

/** Files that carry a hash of their content in their name never change. */
const HASHED_FILES = { index: false, redirect: false, immutable: true, maxAge: '1y' } as const;

/** How the path of a file ends; no page's does. */
export const FILE_NAME = /\.\w{2,5}$/;

/** What the build has packed files as, the smallest first. */
const PACKED = [
  { encoding: 'br', extension: '.br' },
  { encoding: 'gzip', extension: '.gz' },
] as const;

/** Sends the files of a build, packed as the build has packed them; goes on when there is none. */
export function builtFiles(folder: string): RequestHandler {
  const names = new Set(readdirSync(folder, { recursive: true }).map(String));
  const send = express.static(folder, HASHED_FILES);
  return (request, response, next) => {
    const name = request.path.slice(1);
    const packed = PACKED.filter(({ extension }) => names.has(name + extension));
    if (packed.length > 0) response.vary('Accept-Encoding');
    const best = packed.find(({ encoding }) => request.acceptsEncodings(encoding));
    if (best) {
      response.set('Content-Encoding', best.encoding).type(extname(name));
      request.url = `/${name}${best.extension}`;
    }
    return send(request, response, next);
  };
}
