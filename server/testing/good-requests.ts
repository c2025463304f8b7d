import type { CategorySetSummary, KindSummary, SessionInfo } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import type { Blueprint } from '@plindo/core/exchange';
import type { Listing } from '@plindo/core/listings';
import type { Link } from '@plindo/core/structure';
import type { Sender } from './test-api.js';

/** A request that is as it should be. */
export interface GoodRequest {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

type Get = <T>(path: string) => Promise<T>;

/** Requests with everything in them that can stand there, for a site that began with a starter: its own state, sent again. */
export async function goodRequests(owner: Sender): Promise<GoodRequest[]> {
  const get = async <T>(path: string): Promise<T> => (await owner.send('GET', `/api${path}`)).json as T;
  const kinds = await get<KindSummary[]>('/kinds');
  const parts = [...kinds.map((one) => ofKind(get, one)), ofDesigns(get), ofSets(get), ofLinks(get), ofSite(get)];
  return (await Promise.all(parts)).flat();
}

async function ofKind(get: Get, { kind: { id, version: kindVersion, ...kind } }: KindSummary): Promise<GoodRequest[]> {
  const { listings } = await get<{ listings: Listing[] }>(`/kinds/${id}/listings`);
  const [first] = listings;
  if (!first) return [];
  const { title, summary, values, body, place, picture, status, version } = await get<Listing>(`/listings/${first.id}`);
  const input = { title, summary, values, body, place, picture, status, shownUntil: '2030-01-01T10:00Z' };
  const field = kind.fields.find(({ type }) => type === 'short-text') ?? kind.fields[0];
  const selection = {
    ...{ name: 'All', kinds: [id], published: true, pageSize: 20, pager: 'numbered', facets: [], shows: 'both' },
    where: {
      join: 'all',
      of: [
        { field: field!.key, op: 'is', value: 'x' },
        { join: 'any', of: [] },
      ],
    },
    order: [{ by: 'title', direction: 'up' }],
  };
  const ask = {
    text: 'a',
    status: null,
    filters: [{ by: '@title', op: 'is', value: 'a' }],
    sort: 'title',
    direction: 'up',
  };
  const view = { name: 'Mine', columns: ['title'], frozen: [], ask };
  const own = kind.fields.filter(({ type }) => type !== 'link' && type !== 'computed');
  const imported = { slug: `${kind.slug}-3`, one: kind.one, many: `${kind.many} 3`, fields: own };
  return [
    { method: 'PUT', path: `/api/kinds/${id}`, body: { ...kind, version: kindVersion } },
    { method: 'POST', path: '/api/kinds', body: { ...kind, slug: `${kind.slug}-2`, many: `${kind.many} 2` } },
    { method: 'POST', path: `/api/kinds/${id}/listings`, body: input },
    { method: 'PATCH', path: `/api/listings/${first.id}`, body: { ...input, version } },
    { method: 'POST', path: `/api/kinds/${id}/batch`, body: { parts: [{ id: first.id, version, input }] } },
    { method: 'POST', path: `/api/kinds/${id}/duplicate`, body: { ids: [first.id] } },
    { method: 'POST', path: `/api/kinds/${id}/hand-order`, body: { id: first.id } },
    { method: 'POST', path: `/api/kinds/${id}/type-change/plan`, body: { field } },
    { method: 'POST', path: `/api/kinds/${id}/expiry/plan`, body: { expiry: kind.expiry } },
    { method: 'PUT', path: `/api/kinds/${id}/table`, body: { columns: ['title'], frozen: [], views: [view] } },
    { method: 'POST', path: '/api/selections/preview', body: { selection } },
    { method: 'POST', path: '/api/selections/explain', body: { selection, listing: first.id } },
    { method: 'POST', path: '/api/selections/missing', body: { selection } },
    { method: 'POST', path: '/api/selections', body: selection },
    {
      ...{ method: 'POST', path: '/api/imports' },
      body: { fileName: 'a.csv', rows: 2, policy: 'refuse-row', kind: imported },
    },
  ];
}

async function ofDesigns(get: Get): Promise<GoodRequest[]> {
  const all = await get<Design[]>('/designs');
  return all.flatMap(({ id, type, kindId, version, definition }): GoodRequest[] => [
    { method: 'PUT', path: `/api/designs/${id}`, body: { type, version, definition } },
    { method: 'POST', path: '/api/drafts', body: { type, kindId, definition, of: null } },
    ...(type === 'page' ? [{ method: 'POST', path: '/api/designs/preview', body: { kindId, definition } }] : []),
  ]);
}

async function ofSets(get: Get): Promise<GoodRequest[]> {
  const all = await get<CategorySetSummary[]>('/category-sets');
  return all.flatMap(({ set: { id, ...set } }): GoodRequest[] => [
    { method: 'PUT', path: `/api/category-sets/${id}`, body: set },
    { method: 'POST', path: `/api/category-sets/${id}/categories`, body: { label: 'Another' } },
  ]);
}

async function ofLinks(get: Get): Promise<GoodRequest[]> {
  const all = await get<Link[]>('/links');
  return all.flatMap(({ id, version, a, b, hasNotes }): GoodRequest[] => [
    { method: 'PUT', path: `/api/links/${id}`, body: { version, aMany: a.many, bMany: b.many, hasNotes } },
    { method: 'POST', path: '/api/links', body: { a: endOf(a), b: endOf(b), hasNotes } },
  ]);
}

async function ofSite(get: Get): Promise<GoodRequest[]> {
  const { site } = await get<SessionInfo>('/session');
  const blueprint = await get<Blueprint>('/blueprint?listings=yes');
  return [
    { method: 'PUT', path: '/api/site', body: site },
    { method: 'POST', path: '/api/blueprint/plan', body: blueprint },
    { method: 'POST', path: '/api/blueprint', body: blueprint },
    { method: 'POST', path: '/api/site/zone/plan', body: { zone: 'Asia/Kolkata' } },
    { method: 'POST', path: '/api/people/invitations', body: { email: 'new@example.org', name: 'N', role: 'editor' } },
    { method: 'PUT', path: '/api/me', body: { name: 'Owner', email: 'owner@example.org', password: '' } },
    { method: 'POST', path: '/api/tokens', body: { name: 'Program', readOnly: true, days: 7 } },
    { method: 'POST', path: '/api/passwords/forgotten', body: { email: 'nobody@example.org' } },
    { method: 'POST', path: '/api/addresses/look', body: { addresses: ['/', '/courses/'] } },
  ];
}

function endOf({ kindId, many }: Link['a']): object {
  return { kindId, label: 'Others', many };
}
