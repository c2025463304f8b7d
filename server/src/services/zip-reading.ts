import type { Readable } from 'node:stream';
import yauzl from 'yauzl';

/** Makes of what the reader says the error that its caller throws. */
export type ZipFault = (error: unknown) => Error;

/** Opens a zip; names that lead out of it are refused by the reader. */
export function openZip(path: string, fault: ZipFault): Promise<yauzl.ZipFile> {
  const options = { lazyEntries: true, autoClose: false, strictFileNames: true, validateEntrySizes: true };
  return new Promise((resolve, reject) => {
    yauzl.open(path, options, (error, zip) => (error ? reject(fault(error)) : resolve(zip)));
  });
}

/** What is in a zip, by name; refused when there are more than `most`. */
export function entriesOf(zip: yauzl.ZipFile, most: number, fault: ZipFault): Promise<Map<string, yauzl.Entry>> {
  const entries = new Map<string, yauzl.Entry>();
  return new Promise((resolve, reject) => {
    zip.on('entry', (entry: yauzl.Entry) => {
      entries.set(entry.fileName, entry);
      if (entries.size > most) reject(fault(new Error('there are too many files in it')));
      else zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', (error: Error) => reject(fault(error)));
    zip.readEntry();
  });
}

/** What an entry unfolds to; it ends with an error when more comes out than the entry promised. */
export function streamOf(zip: yauzl.ZipFile, entry: yauzl.Entry, fault: ZipFault): Promise<Readable> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, opened) => (error ? reject(fault(error)) : resolve(opened)));
  });
}
