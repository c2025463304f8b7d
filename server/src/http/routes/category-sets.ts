import { CategorySetDto, CategorySetUpdateDto, NewCategoryDto } from '../dto/structure-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

export function categorySetRoutes({ categorySets }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/category-sets',
      permission: 'read listings',
      summary: 'All category sets with the number of listings in each category and the fields that use them.',
      answers: 'CategorySetSummary[]',
      handle: () => categorySets.summaries(),
    }),
    route({
      method: 'post',
      path: '/category-sets',
      permission: 'change structure',
      summary: 'Add a category set.',
      body: CategorySetDto,
      answers: 'Changed<CategorySet>',
      handle: (call) => categorySets.add(signedIn(call), call.body),
    }),
    route({
      method: 'put',
      path: '/category-sets/:id',
      permission: 'change structure',
      summary: 'Put a new definition in place of the old one; listings follow what was merged, moved or deleted.',
      body: CategorySetUpdateDto,
      answers: 'Changed<CategorySet>',
      handle(call) {
        const { version, move = null, ...definition } = call.body;
        return categorySets.update(signedIn(call), call.id(), version, definition, move);
      },
    }),
    route({
      method: 'post',
      path: '/category-sets/:id/categories',
      permission: 'change listings',
      summary: 'Add one category to a set.',
      body: NewCategoryDto,
      answers: 'Changed<CategorySet>',
      handle(call) {
        const { label, parent = null } = call.body;
        return categorySets.addCategory(signedIn(call), call.id(), label, parent);
      },
    }),
    route({
      method: 'delete',
      path: '/category-sets/:id',
      permission: 'change structure',
      summary: 'Delete a category set that no field uses.',
      answers: 'Changed<null>',
      handle: (call) => categorySets.remove(signedIn(call), call.id()),
    }),
  ];
}
