const KILOBYTE = 1024;
const MEGABYTE = KILOBYTE * KILOBYTE;

/** A count of bytes as people say it: "4 KB", "25 MB", "31.4 MB"; with one decimal where it isn't a whole number. */
export function sizeWords(bytes: number): string {
  const [size, unit] = bytes < MEGABYTE ? [bytes / KILOBYTE, 'KB'] : [bytes / MEGABYTE, 'MB'];
  return `${Number.isInteger(size) ? size : size.toFixed(1)} ${unit}`;
}
