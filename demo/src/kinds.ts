import type { Choice, KindDefinition, KindSketch } from '@plindo/core/structure';
import {
  choicesFromLabels,
  makeField,
  makeKindDefinition,
  proposeFacets,
  proposeSortChoices,
} from '@plindo/core/structure';
import { BERTH_FACILITIES, BERTH_TYPES, HARBOURS, HARBOUR_FACILITIES, REGIONS } from './places.js';

const choices = (labels: readonly string[]): Choice[] => choicesFromLabels(labels);

function kind(given: KindSketch): KindDefinition {
  const definition = makeKindDefinition({ published: true, startStatus: 'live', ...given });
  const { fields } = definition;
  return { ...definition, facets: proposeFacets(fields), sortChoices: proposeSortChoices(fields) };
}

export const HARBOUR_KIND: KindDefinition = kind({
  slug: 'harbours',
  one: 'Harbour',
  many: 'Harbours',
  intro: 'Twelve places to lie safely between the upper reach and the open sea.',
  fields: [
    makeField({
      key: 'region',
      label: 'Region',
      type: 'one-choice',
      onCard: true,
      searchWeight: 1,
      settings: { choices: choices(REGIONS) },
    }),
    makeField({
      key: 'facilities',
      label: 'Facilities',
      type: 'several-choices',
      onCard: true,
      searchWeight: 1,
      settings: { choices: choices(HARBOUR_FACILITIES) },
    }),
    makeField({ key: 'fuel', label: 'Fuel berth', type: 'yes-no', onCard: true }),
    makeField({
      key: 'visitor_berths',
      label: 'Visitor berths',
      type: 'whole-number',
      onCard: true,
      settings: { least: 0 },
    }),
    makeField({
      key: 'channel',
      label: 'Working channel',
      type: 'short-text',
      help: 'The radio channel on which the office listens.',
    }),
    makeField({ key: 'phone', label: 'Phone', type: 'phone' }),
    makeField({ key: 'email', label: 'E-mail', type: 'email' }),
    makeField({ key: 'website', label: 'Website', type: 'web-address' }),
    makeField({ key: 'place', label: 'Place', type: 'place' }),
    makeField({ key: 'about', label: 'About', type: 'long-text', inTable: false, searchWeight: 1 }),
  ],
});

const berthKind = kind({
  slug: 'berths',
  one: 'Berth',
  many: 'Berths',
  intro: 'Every visitor berth of Merrow Sound, with its price a night and what it offers.',
  fields: [
    makeField({
      key: 'harbour',
      label: 'Harbour',
      type: 'one-choice',
      required: true,
      onCard: true,
      searchWeight: 2,
      settings: { choices: choices(HARBOURS.map(({ name }) => name)) },
    }),
    makeField({
      key: 'type',
      label: 'Type',
      type: 'one-choice',
      onCard: true,
      searchWeight: 1,
      settings: { choices: choices(BERTH_TYPES) },
    }),
    makeField({
      key: 'price',
      label: 'Price a night',
      type: 'money',
      onCard: true,
      settings: { currency: 'EUR', least: 0 },
    }),
    makeField({
      key: 'length',
      label: 'Greatest length',
      type: 'measure',
      onCard: true,
      settings: { unit: 'm', least: 0, greatest: 60 },
    }),
    makeField({
      key: 'draught',
      label: 'Greatest draught',
      type: 'measure',
      settings: { unit: 'm', least: 0, greatest: 12 },
    }),
    makeField({
      key: 'facility',
      label: 'Facilities',
      type: 'several-choices',
      searchWeight: 1,
      settings: { choices: choices(BERTH_FACILITIES) },
    }),
    makeField({
      key: 'nearby',
      label: 'Services nearby',
      type: 'yes-no',
      help: 'Shops, fuel or a laundry within 500 m.',
    }),
    makeField({ key: 'checked', label: 'Last checked', type: 'date' }),
  ],
});

export const BERTH_KIND: KindDefinition = {
  ...berthKind,
  facets: berthKind.facets
    .filter(({ field }) => field !== 'checked')
    .map((facet) => (facet.key === 'facility' ? { ...facet, join: 'all', label: 'Has all of' } : facet)),
};
