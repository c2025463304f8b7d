import { Refusal, sizeWords } from '@plindo/core/values';
import type { RequestHandler } from 'express';
import multer from 'multer';
import { tmpdir } from 'node:os';
import { LARGEST_PICTURE_IN_BYTES } from '../services/media/pictures.js';

/**
 * Reads the one file of a form: into memory, or, with the most bytes that it may have there, into a temporary folder.
 * Refused with `request.too-large` or `request.malformed`.
 */
export function fileUpload(name: string, largestOnDisk: number | null): RequestHandler {
  const largest = largestOnDisk ?? LARGEST_PICTURE_IN_BYTES;
  const upload = multer({
    storage: largestOnDisk === null ? multer.memoryStorage() : multer.diskStorage({ destination: tmpdir() }),
    limits: { fileSize: largest, files: 1, parts: 10 },
  }).single(name);
  return (request, response, next) => {
    upload(request, response, (error: unknown) => next(error && refusalOf(error, largest)));
  };
}

function refusalOf(error: unknown, largest: number): unknown {
  if (error instanceof multer.MulterError) {
    if (error.code === 'LIMIT_FILE_SIZE') return Refusal.of('request.too-large', { greatest: sizeWords(largest) });
    return Refusal.of('request.malformed', { reason: `${error.message.toLowerCase()}.` });
  }
  // What the operating system says, as of a full disk, is not about the request.
  const isOfSystem = error instanceof Error && 'syscall' in error;
  return isOfSystem ? error : Refusal.of('request.malformed', { reason: 'the form in it is cut off or broken.' });
}
