import type { Result } from '../../values/index.js';
import { issue, ok, refuse, sizeWords } from '../../values/index.js';

export const LARGEST_FILE_IN_BYTES = 50 * 1024 * 1024;

export type Encoding = 'UTF-8' | 'UTF-16LE' | 'UTF-16BE' | 'Windows-1252';

export interface DecodedText {
  readonly text: string;
  readonly encoding: Encoding;
}

/** What the first bytes of well-known files say, with what to tell their owner. */
const SIGNATURES: readonly { readonly bytes: readonly number[]; readonly reason: string }[] = [
  { bytes: [0x50, 0x4b, 0x03, 0x04], reason: 'it is a zip or a spreadsheet workbook.' },
  { bytes: [0xd0, 0xcf, 0x11, 0xe0], reason: 'it is an old office document.' },
  { bytes: [0x25, 0x50, 0x44, 0x46], reason: 'it is a PDF document.' },
  { bytes: [0x89, 0x50, 0x4e, 0x47], reason: 'it is a PNG picture.' },
  { bytes: [0xff, 0xd8, 0xff], reason: 'it is a JPEG picture.' },
  { bytes: [0x1f, 0x8b], reason: 'it is a compressed file.' },
];

/**
 * The text of a file: UTF-8 and UTF-16 by their marks, UTF-8 without one, else Windows-1252. Refuses what isn't text,
 * and a file in which some lines are UTF-8 and others aren't, naming the first such line. Refused by
 * `file.mixed-encoding`, `file.not-text` and `file.too-large`.
 */
export function decodeText(bytes: Uint8Array): Result<DecodedText> {
  if (bytes.length > LARGEST_FILE_IN_BYTES) {
    return refuse(
      issue('file.too-large', { found: sizeWords(bytes.length), greatest: sizeWords(LARGEST_FILE_IN_BYTES) }),
    );
  }
  const signature = SIGNATURES.find((known) => known.bytes.every((byte, at) => bytes[at] === byte));
  if (signature) return refuse(issue('file.not-text', { reason: signature.reason }));
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return decoded(bytes, 'UTF-16LE');
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return decoded(bytes, 'UTF-16BE');
  const unmarked = unmarkedUtf16(bytes);
  if (unmarked) return decoded(bytes, unmarked);
  if (bytes.includes(0)) return refuse(issue('file.not-text', { reason: 'it holds zero bytes.' }));
  if (controlShare(bytes) > 0.02)
    return refuse(issue('file.not-text', { reason: 'it is full of control characters.' }));
  const firstBad = firstLineNotUtf8(bytes);
  if (firstBad === null) return decoded(bytes, 'UTF-8');
  if (firstBad.afterUtf8) return refuse(issue('file.mixed-encoding', { line: firstBad.line }, { line: firstBad.line }));
  return decoded(bytes, 'Windows-1252');
}

function decoded(bytes: Uint8Array, encoding: Encoding): Result<DecodedText> {
  const text = encoding === 'Windows-1252' ? decodeWindows1252(bytes) : new TextDecoder(encoding).decode(bytes);
  return text.trim() === '' ? refuse(issue('file.empty')) : ok({ text, encoding });
}

/** Bytes 0x80 to 0x9F as the WHATWG Encoding Standard's index windows-1252 has them; all others are Latin-1. */
const WINDOWS_1252 = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';
const DECODED_AT_ONCE = 32_768;

/** Written out, since Node.js 20 decodes "windows-1252" as Latin-1 and core has to give the same everywhere. */
function decodeWindows1252(bytes: Uint8Array): string {
  let text = '';
  for (let start = 0; start < bytes.length; start += DECODED_AT_ONCE) {
    text += String.fromCharCode(...bytes.subarray(start, start + DECODED_AT_ONCE));
  }
  return text.replace(/[\x80-\x9f]/g, (letter) => WINDOWS_1252.charAt(letter.charCodeAt(0) - 0x80));
}

const SAMPLE_IN_BYTES = 65_536;
/** Of UTF-16 in any language, digits, delimiters and line ends alone give this share of zero bytes on one side. */
const LEAST_ZEROS = 0.05;
const MOST_STRAY_ZEROS = 0.001;

/** UTF-16 without its mark, by where its zero bytes stand; null for anything else. */
function unmarkedUtf16(bytes: Uint8Array): Encoding | null {
  const sample = bytes.subarray(0, SAMPLE_IN_BYTES);
  if (sample.length < 4 || bytes.length % 2 !== 0) return null;
  const zeros = [0, 0];
  sample.forEach((byte, at) => {
    if (byte === 0) zeros[at % 2]!++;
  });
  const [even = 0, odd = 0] = zeros.map((count) => count / (sample.length / 2));
  if (odd >= LEAST_ZEROS && even <= MOST_STRAY_ZEROS) return 'UTF-16LE';
  return even >= LEAST_ZEROS && odd <= MOST_STRAY_ZEROS ? 'UTF-16BE' : null;
}

function controlShare(bytes: Uint8Array): number {
  const sample = bytes.subarray(0, SAMPLE_IN_BYTES);
  const isControl = (byte: number): boolean => byte < 32 && byte !== 9 && byte !== 10 && byte !== 13;
  return sample.reduce((count, byte) => count + Number(isControl(byte)), 0) / Math.max(1, sample.length);
}

/** The first line that isn't UTF-8, and whether any line holds UTF-8 beyond ASCII; null when all is UTF-8. */
function firstLineNotUtf8(bytes: Uint8Array): { line: number; afterUtf8: boolean } | null {
  try {
    new TextDecoder('UTF-8', { fatal: true }).decode(bytes);
    return null;
  } catch {
    return inspectLines(bytes);
  }
}

function inspectLines(bytes: Uint8Array): { line: number; afterUtf8: boolean } {
  const strict = new TextDecoder('UTF-8', { fatal: true });
  let firstBad = 0;
  let hasUtf8 = false;
  let start = 0;
  for (let line = 1; start < bytes.length; line++) {
    const end = bytes.indexOf(10, start);
    const stretch = bytes.subarray(start, end === -1 ? bytes.length : end);
    start = end === -1 ? bytes.length : end + 1;
    if (!stretch.some((byte) => byte > 127)) continue;
    try {
      strict.decode(stretch);
      hasUtf8 = true;
    } catch {
      if (firstBad === 0) firstBad = line;
    }
  }
  return { line: firstBad, afterUtf8: hasUtf8 };
}
