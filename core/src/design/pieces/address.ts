/** Whether a text is an address that visitors may be led to: within the site, or on the web, by mail or telephone. */
export function isAddress(text: string): boolean {
  return /^(\/(?!\/)|#|https?:\/\/|mailto:|tel:)/.test(text);
}
