import { numbersIn } from '@plindo/core/page';
import { Refusal } from '@plindo/core/values';
import {
  CardsQueryDto,
  DraftedPageQueryDto,
  PageExplainQueryDto,
  PageQueryDto,
  PlacesQueryDto,
  SiteDto,
  SuggestionsQueryDto,
} from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';
import { visitOf } from '../visit.js';

export function siteRoutes({ pages, listQuestions, draftedSite, site, views }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/page',
      permission: 'visit',
      summary: 'The model of a public page, as the site renders it.',
      query: DraftedPageQueryDto,
      answers: 'PageModel',
      // Only who has signed in sees drafts.
      async handle({ query, user, request }) {
        const page = await (user && query.drafts ? draftedSite : pages).page(query.url, user ? 'signed-in' : 'visitor');
        const found = pages.destination(query.url);
        // Whoever goes on to a page from another one is sent its model alone.
        if (page.type === 'designed' && page.over === '' && found.kind === 'page' && !found.isPrivate)
          views.note(visitOf(request), { address: found.address, arrivedFrom: null });
        return page;
      },
    }),
    route({
      method: 'get',
      path: '/page/explain',
      permission: 'read listings',
      summary: 'Why a listing is not on the public list at an address, in its state, or where on it it is.',
      query: PageExplainQueryDto,
      answers: 'Explanation',
      handle: async ({ query }) => {
        const explanation = await listQuestions.explain(query.url, query.listing);
        if (!explanation) throw Refusal.of('request.not-found');
        return explanation;
      },
    }),
    route({
      method: 'get',
      path: '/page/design',
      permission: 'read listings',
      summary: 'Which design made the page at an address, and with what it was shown.',
      query: PageQueryDto,
      answers: 'DesignOfPage',
      handle: async ({ query }) => {
        const design = await pages.designAt(query.url);
        if (!design) throw Refusal.of('request.not-found');
        return design;
      },
    }),
    route({
      method: 'get',
      path: '/page/missed',
      permission: 'read listings',
      summary: 'For each thing that is chosen on a public list, the listings that it alone keeps out.',
      query: PageQueryDto,
      answers: 'MissedOnPage[]',
      handle: ({ query }) => listQuestions.missed(query.url),
    }),
    route({
      method: 'get',
      path: '/page/near',
      permission: 'visit',
      summary: 'Pages of listings whose names are near to an address that leads nowhere.',
      query: PageQueryDto,
      answers: 'PageLink[]',
      handle: ({ query }) => listQuestions.near(query.url),
    }),
    route({
      method: 'get',
      path: '/cards',
      permission: 'visit',
      summary: 'The cards of listings that a browser keeps for its visitor, in their order.',
      query: CardsQueryDto,
      answers: 'ChosenCards',
      handle: ({ query }) => pages.cardsOf(numbersIn(query.of)),
    }),
    route({
      method: 'get',
      path: '/suggestions',
      permission: 'visit',
      summary: 'What fits words that are being typed into the search of a list on the page at a path.',
      query: SuggestionsQueryDto,
      answers: 'SuggestionModel[]',
      handle: ({ query }) => listQuestions.suggestions(query.path, query.q, query.area),
    }),
    route({
      method: 'get',
      path: '/places',
      permission: 'visit',
      summary: 'Titles of listings with a place that fit words that are being typed.',
      query: PlacesQueryDto,
      answers: 'string[]',
      handle: ({ query }) => listQuestions.placeTitles(query.q),
    }),
    route({
      method: 'put',
      path: '/site',
      permission: 'change the site',
      summary: 'Change the name, tagline, locale and time zone of the site.',
      body: SiteDto,
      answers: 'Changed<SiteSettings>',
      handle: (call) => site.save(signedIn(call), { ...call.body }),
    }),
  ];
}
