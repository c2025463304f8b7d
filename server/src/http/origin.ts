import type { Request } from 'express';

/** A name or an address with a port; anybody can send anything. */
const HOST = /^[\w.-]+(:\d{1,5})?$|^\[[\da-f:]+\](:\d{1,5})?$/i;

/** Where the site was asked for, "https://guide.example"; null when what was sent is no host. */
export function originOf({ headers: { host = '' }, protocol }: Pick<Request, 'headers' | 'protocol'>): string | null {
  return HOST.test(host) ? `${protocol}://${host}` : null;
}
