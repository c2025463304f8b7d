import { makeDateGrouping, makeSelection } from '@plindo/core/structure';
import type { SelectionDefinition } from '@plindo/core/structure';
import { SelectionDto, SelectionExplainDto, SelectionPreviewDto, SelectionUpdateDto } from '../dto/selection-dtos.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

function definitionOf(sent: SelectionDto): SelectionDefinition {
  const { grouping, ...others } = sent;
  const headings = grouping && makeDateGrouping(grouping);
  return makeSelection({ ...others, slug: sent.slug ?? '', ...(headings && { grouping: headings }) });
}

export function selectionRoutes({ selections }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/selections',
      permission: 'read listings',
      summary: 'All selections with what they show at this moment and what has become wrong with them.',
      answers: 'SelectionSummary[]',
      handle: () => selections.summaries(),
    }),
    route({
      method: 'post',
      path: '/selections',
      permission: 'change structure',
      summary: 'Add a selection.',
      body: SelectionDto,
      answers: 'Changed<Selection>',
      handle: (call) => selections.add(signedIn(call), definitionOf(call.body)),
    }),
    route({
      method: 'put',
      path: '/selections/:id',
      permission: 'change structure',
      summary: 'Put a new definition in place of the old one.',
      body: SelectionUpdateDto,
      answers: 'Changed<Selection>',
      handle(call) {
        const { version, ...sent } = call.body;
        return selections.update(signedIn(call), call.id(), version, definitionOf(sent));
      },
    }),
    route({
      method: 'delete',
      path: '/selections/:id',
      permission: 'change structure',
      summary: 'Delete a selection.',
      answers: 'Changed<null>',
      handle: (call) => selections.remove(signedIn(call), call.id()),
    }),
    route({
      method: 'post',
      path: '/selections/preview',
      changesNothing: true,
      permission: 'read listings',
      summary: 'What a selection would give, saved or not: totals, first cards, and what each condition removes.',
      body: SelectionPreviewDto,
      answers: 'SelectionPreview',
      handle: ({ body }) => selections.preview(definitionOf(body.selection)),
    }),
    route({
      method: 'post',
      path: '/selections/missing',
      changesNothing: true,
      permission: 'read listings',
      summary: 'Listings that fail one condition of a selection alone.',
      body: SelectionPreviewDto,
      answers: 'JustMissing[]',
      handle: ({ body }) => selections.missing(definitionOf(body.selection)),
    }),
    route({
      method: 'get',
      path: '/listings/:id/selections',
      permission: 'read listings',
      summary: 'Where in each selection of its kind a listing is, or why it is not there.',
      answers: 'ListingInSelection[]',
      handle: (call) => selections.ofListing(call.id()),
    }),
    route({
      method: 'post',
      path: '/selections/explain',
      changesNothing: true,
      permission: 'read listings',
      summary: 'Why a listing is not in a selection, or where in it it is.',
      body: SelectionExplainDto,
      answers: 'Explanation',
      handle: ({ body }) => selections.explain(definitionOf(body.selection), body.listing),
    }),
  ];
}
