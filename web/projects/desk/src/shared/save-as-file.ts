/** Lets the browser save a text as a file. */
export function saveAsFile(text: string, name: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  // Once the browser has begun to read it.
  setTimeout(() => URL.revokeObjectURL(link.href));
}
