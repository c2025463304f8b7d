import { Refusal } from '../../services/refusal.js';
import { PageQueryDto, SiteDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function siteRoutes({ live, pages }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/page',
      permission: 'visit',
      summary: 'The model of a public page, as the site renders it.',
      query: PageQueryDto,
      answers: 'PageModel',
      handle({ query }) {
        const [path = '/', search = ''] = query.url.split(/\?(.*)/s);
        return pages.page(path, search);
      },
    }),
    route({
      method: 'put',
      path: '/site',
      permission: 'change the site',
      summary: 'Change the name, tagline, locale and time zone of the site.',
      body: SiteDto,
      answers: 'SiteSettings',
      async handle({ body }) {
        checkSettings(body);
        await live.saveSite({ ...body });
        return live.site();
      },
    }),
  ];
}

/** Refuses a locale or zone that the program doesn't know. */
function checkSettings({ name, locale, zone }: SiteDto): void {
  if (name.trim() === '') throw Refusal.of('value.required', { label: 'Name' }, 'name');
  try {
    new Intl.DateTimeFormat(locale);
  } catch {
    throw Refusal.of('value.type', { label: 'Language', wanted: 'a language tag such as en-GB' }, 'locale');
  }
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
  } catch {
    throw Refusal.of('value.type', { label: 'Time zone', wanted: 'a zone such as Europe/Lisbon' }, 'zone');
  }
}
