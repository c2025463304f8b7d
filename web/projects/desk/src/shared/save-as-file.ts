/** Lets the browser save a text, or bytes, as a file. */
export function saveAsFile(content: string | Uint8Array, name: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  link.download = name;
  link.click();
  // Once the browser has begun to read it.
  setTimeout(() => URL.revokeObjectURL(link.href));
}
