import { pipeline } from 'node:stream/promises';
import { firstCard } from '@plindo/core/design';
import type { Blueprint, BlueprintDesign } from '@plindo/core/exchange';
import { makeCategory, makeKindDefinition } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Request } from 'express';
import { BlueprintDto, BlueprintQueryDto } from '../dto/blueprint-dtos.js';
import { definedBy } from '../dto/design-dtos.js';
import type { KindDto } from '../dto/structure-dtos.js';
import { readDto } from '../dto/read-dto.js';
import { refuseDeep } from '../json-body.js';
import type { Route } from '../route.js';
import { route, signedIn } from '../route.js';
import type { Services } from '../services.js';

const LARGEST_BLUEPRINT = '64mb';

const LARGEST_ZIP_IN_BYTES = 2 * 1024 ** 3;

export function blueprintRoutes({ blueprints, blueprintZips, previews }: Services): Route[] {
  return [
    route({
      method: 'get',
      path: '/blueprint',
      permission: 'change structure',
      summary: 'The structure of the site as one document, with or without its listings.',
      query: BlueprintQueryDto,
      answers: 'Blueprint',
      handle: (call) => blueprints.save(call.query.listings === 'yes'),
    }),
    route({
      method: 'post',
      path: '/blueprint/plan',
      changesNothing: true,
      permission: 'change structure',
      summary: 'What applying a blueprint would add, change and lack; nothing is changed.',
      body: BlueprintDto,
      largestBody: LARGEST_BLUEPRINT,
      answers: 'BlueprintPlan',
      handle: (call) => blueprints.plan(complete(call.body)),
    }),
    route({
      method: 'post',
      path: '/blueprint',
      permission: 'change structure',
      summary: 'Apply a blueprint, as a whole or not at all.',
      body: BlueprintDto,
      largestBody: LARGEST_BLUEPRINT,
      answers: 'Changed<BlueprintPlan>',
      handle: (call) => blueprints.apply(signedIn(call), complete(call.body)),
    }),
    route({
      method: 'post',
      path: '/blueprint/preview',
      changesNothing: true,
      permission: 'change structure',
      summary: 'The pages of a new site to which a blueprint is applied; nothing is changed here.',
      body: BlueprintDto,
      largestBody: LARGEST_BLUEPRINT,
      answers: 'PreviewedPage[]',
      handle: (call) => previews.show(({ blueprints: own }, user) => own.apply(user, complete(call.body))),
    }),
    route({
      method: 'get',
      path: '/blueprint/zip',
      permission: 'change structure',
      summary: 'The blueprint with all listings, their pictures and files, as a zip.',
      sends: 'application/zip',
      async handle({ response }) {
        const zip = await blueprintZips.write(await blueprints.save(true));
        response.attachment('blueprint.zip');
        await pipeline(zip, response);
      },
    }),
    route({
      method: 'post',
      path: '/blueprint/zip/plan',
      changesNothing: true,
      permission: 'change structure',
      summary: 'What applying a blueprint zip, sent as the form part "file", would do; nothing is changed.',
      file: 'file',
      largestFileOnDisk: LARGEST_ZIP_IN_BYTES,
      answers: 'BlueprintPlan',
      handle: ({ request }) =>
        blueprintZips.read(pathOf(request), (document, things) => blueprints.plan(checked(document), things)),
    }),
    route({
      method: 'post',
      path: '/blueprint/zip/preview',
      changesNothing: true,
      permission: 'change structure',
      summary: 'The same of a blueprint zip, sent as the form part "file".',
      file: 'file',
      largestFileOnDisk: LARGEST_ZIP_IN_BYTES,
      answers: 'PreviewedPage[]',
      handle: ({ request }) =>
        previews.show(({ blueprints: own, blueprintZips: zips }, user) =>
          zips.read(pathOf(request), (document, things) => own.apply(user, checked(document), things)),
        ),
    }),
    route({
      method: 'post',
      path: '/blueprint/zip',
      permission: 'change structure',
      summary: 'Apply a blueprint zip, sent as the form part "file", as a whole or not at all.',
      file: 'file',
      largestFileOnDisk: LARGEST_ZIP_IN_BYTES,
      answers: 'Changed<BlueprintPlan>',
      handle: (call) =>
        blueprintZips.read(pathOf(call.request), (document, things) =>
          blueprints.apply(signedIn(call), checked(document), things),
        ),
    }),
  ];
}

/** The document of a zip, checked like one that is sent by itself. */
function checked(document: unknown): Blueprint {
  refuseDeep(document);
  return complete(readDto(BlueprintDto, document));
}

function pathOf({ file }: Request): string {
  if (!file) throw Refusal.of('request.malformed', { reason: 'there is no part called "file".' });
  return file.path;
}

/** What is left out of a document has its default; the values of listings are read by their types when it is applied. */
function complete({ kinds, listings, designs, ...others }: BlueprintDto): Blueprint {
  const plain = JSON.parse(JSON.stringify(others)) as Omit<Blueprint, 'kinds' | 'listings' | 'designs'>;
  return {
    ...plain,
    categorySets: plain.categorySets.map((set) => ({ ...set, categories: set.categories.map(makeCategory) })),
    kinds: kinds.map((kind) => makeKindDefinition(JSON.parse(JSON.stringify(kind)) as typeof kind)),
    designs: designs
      ? designs.map((design) => ({ kind: design.kind, ...definedBy(design) }))
      : kinds.flatMap(formerCard),
    ...(listings && { listings: JSON.parse(JSON.stringify(listings)) as NonNullable<Blueprint['listings']> }),
  };
}

/** The card that documents from before there were designs tell of by their fields. */
function formerCard(kind: KindDto): BlueprintDesign[] {
  const onCard = (kind.fields ?? []).filter((field) => field.onCard).map(({ key }) => key);
  if (onCard.length === 0) return [];
  const definition = makeKindDefinition(JSON.parse(JSON.stringify(kind)) as typeof kind);
  return [{ type: 'card', kind: kind.slug, definition: firstCard(definition, onCard) }];
}
