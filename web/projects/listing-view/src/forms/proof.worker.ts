import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';

/** Finds the number that solves the puzzle of a token: SHA-256 of "token.number" begins with two bytes of zero. */
function solve(token: string): string {
  for (let number = 0; ; number++) {
    const [first, second] = sha256(utf8ToBytes(`${token}.${number}`));
    if (first === 0 && second === 0) return String(number);
  }
}

addEventListener('message', ({ data }: MessageEvent<string>) => postMessage(solve(data)));
