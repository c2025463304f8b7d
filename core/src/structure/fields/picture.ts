/** A picture kept by Plindo: the hash of its bytes, its size in pixels, and what it shows in words. */
export interface Picture {
  readonly hash: string;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  readonly alt: string;
  /** The point that stays in view when it is cropped, in parts of width and height; the middle unless told otherwise. */
  readonly focus?: Focus;
}

export interface Focus {
  /** From 0 (left) to 1 (right). */
  readonly x: number;
  /** From 0 (top) to 1 (bottom). */
  readonly y: number;
}

const LONGEST_ALT = 300;

/** Whether JSON from outside is a picture; that the picture is really kept is checked where the store is known. */
export function asPicture(input: unknown): Picture | null {
  if (typeof input !== 'object' || input === null) return null;
  const { hash, width, height, alt = '', focus } = input as Record<string, unknown>;
  const sizes = [width, height].every((size) => Number.isInteger(size) && (size as number) > 0);
  if (typeof hash !== 'string' || !/^[0-9a-f]{32}$/.test(hash) || !sizes || typeof alt !== 'string') return null;
  const point = focus === undefined ? null : asFocus(focus);
  if (focus !== undefined && !point) return null;
  const picture = { hash, width: width as number, height: height as number, alt: alt.trim().slice(0, LONGEST_ALT) };
  return point ? { ...picture, focus: point } : picture;
}

function asFocus(input: unknown): Focus | null {
  const { x, y } = (input ?? {}) as Record<string, unknown>;
  const isPart = (part: unknown): part is number => typeof part === 'number' && part >= 0 && part <= 1;
  return isPart(x) && isPart(y) ? { x: Number(x.toFixed(3)), y: Number(y.toFixed(3)) } : null;
}

/** What is known of a kept picture; its bytes lie in files beside the database. */
export interface PictureRecord {
  /** Of the kept file. */
  readonly hash: string;
  /** Stands for it in the change log. */
  readonly number: number;
  /** Size in pixels, upright. */
  readonly width: number;
  readonly height: number;
  readonly fileName: string;
  /** Hash of the file that was sent. */
  readonly source: string;
  /** Size of the kept file. */
  readonly bytes: number;
  /** Milliseconds since 1970. */
  readonly createdAt: number;
}
