import { makeField } from '@plindo/core/structure';
import { RenameKeyDto, TypeChangeDto, TypeChangeOrderDto } from '../dto/structure-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function fieldChangeRoutes({ fieldChanges }: Services): Route[] {
  return [
    route({
      method: 'post',
      path: '/kinds/:id/type-change/plan',
      changesNothing: true,
      permission: 'change structure',
      summary: 'What another type would make of the values of a field; nothing is changed.',
      body: TypeChangeDto,
      answers: 'TypeChangePlan',
      handle: (call) => fieldChanges.planTypeChange(call.id(), makeField(call.body.field)),
    }),
    route({
      method: 'post',
      path: '/kinds/:id/type-change',
      permission: 'change structure',
      summary: 'Change the type of a field and convert all values; what cannot be converted is kept aside.',
      body: TypeChangeOrderDto,
      answers: 'Changed<Kind>',
      handle(call) {
        const { version, field } = call.body;
        return fieldChanges.changeType(signedIn(call), call.id(), version, makeField(field));
      },
    }),
    route({
      method: 'post',
      path: '/kinds/:id/rename-key',
      permission: 'change structure',
      summary: 'Give a field another key; values and everything that used it follow.',
      body: RenameKeyDto,
      answers: 'Changed<Kind>',
      handle(call) {
        const { version, from, to } = call.body;
        return fieldChanges.renameKey(signedIn(call), call.id(), version, from, to);
      },
    }),
  ];
}
