import { AddressesDto, FormerAddressesQueryDto } from '../dto/dtos.js';
import type { Route } from '../route.js';
import { route } from '../route.js';
import type { Services } from '../services.js';

export function addressRoutes({ addressBook }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/addresses/former',
      permission: 'read listings',
      summary: 'Addresses that stood for something before, with where each leads now.',
      query: FormerAddressesQueryDto,
      answers: 'FormerAddresses',
      handle: ({ query }) => addressBook.formerOnes(query.q ?? ''),
    }),
    route({
      method: 'post',
      path: '/addresses/look',
      changesNothing: true,
      permission: 'read listings',
      summary: 'What is at each of some addresses of the site.',
      body: AddressesDto,
      answers: 'AddressLook[]',
      handle: ({ body }) => addressBook.look(body.addresses),
    }),
  ];
}
