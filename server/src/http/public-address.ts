import type { SiteSettings } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Request } from 'express';
import { originOf } from './origin.js';

const THIS_MACHINE = /^https?:\/\/(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/**
 * What stands before the paths of links in mails, for whoever has signed in: where the site says that it stands, or where
 * they ask for it.
 */
export function publicAddress({ address }: SiteSettings, request: Request): string {
  const base = address || originOf(request);
  if (base === null) throw Refusal.of('request.malformed', { reason: 'its Host header is no host.' });
  return base;
}

/**
 * The same for somebody who hasn't signed in. They could say any host, and lead whoever gets the mail there; so without an
 * address in the settings only this machine itself is believed. Null for no address.
 */
export function publicAddressForAnyone({ address }: SiteSettings, request: Request): string | null {
  const origin = originOf(request) ?? '';
  return address || (THIS_MACHINE.test(origin) ? origin : null);
}
