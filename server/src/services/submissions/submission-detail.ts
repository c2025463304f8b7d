import type { Catalog } from '@plindo/core/catalog';
import type {
  LikeListing,
  SubmissionDetail,
  SubmissionSummary,
  SubmittedField,
  SubmittedValue,
} from '@plindo/core/contract';
import { formsOf, questionName, questionsOf } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import { picturesIn } from '@plindo/core/page';
import { likelySame } from '@plindo/core/query';
import type { Field, Kind, Place } from '@plindo/core/structure';
import { fieldAt } from '@plindo/core/structure';
import { sentText, valueOfListing } from '@plindo/core/submissions';
import { isSame } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { SubmissionRecord } from '../../store/index.js';

/** All that is needed to decide about a submission, beside its summary; `listing` is the one that it is about. */
export function detailOf(
  record: SubmissionRecord,
  listing: Listing | null,
  catalog: Catalog,
  live: Live,
): Omit<SubmissionDetail, keyof SubmissionSummary> {
  const { kind } = catalog;
  const { message, values, consents } = record;
  return {
    ...{ message, values, consents, fields: fieldsOf(record, listing, kind, live) },
    listing: listing && { id: listing.id, title: listing.title, version: listing.version, status: listing.status },
    alike: record.intent === 'new' && record.state === 'waiting' ? alikeOf(record, catalog) : [],
    begins: begins(record, live),
  };
}

/** With what a listing begins that is accepted: as the form says by which it came. */
export function begins({ formId }: Pick<SubmissionRecord, 'formId'>, live: Live): SubmissionDetail['begins'] {
  const form = formsOf(live.designs()).find(({ id }) => id === formId);
  const { beginsAs = 'live', beginsFeatured = false } = form?.definition ?? {};
  return { status: beginsAs, featured: beginsFeatured };
}

function fieldsOf(
  { values, was, formId }: SubmissionRecord,
  listing: Listing | null,
  kind: Kind,
  live: Live,
): SubmittedField[] {
  const form = formsOf(live.designs()).find(({ id }) => id === formId);
  const questions = form ? questionsOf(form.definition) : [];
  const titleOf = (id: number): string => live.named([id])[0]?.title ?? String(id);
  const inWords = (field: Field, value: unknown): SubmittedValue => {
    const pictures = picturesIn(value);
    return { text: pictures.length > 0 ? '' : sentText(field, value, live.context(), titleOf), pictures };
  };
  return Object.entries(values).flatMap(([key, value]): SubmittedField[] => {
    const field = fieldAt(kind, key);
    if (!field) return [];
    const question = questions.find((one) => one.field === key);
    const now = listing && valueOfListing(listing, key, kind);
    return [
      {
        ...{ key, label: question ? questionName(question, kind) : field.label, sent: inWords(field, value) },
        now: listing && inWords(field, now),
        isChangedSince: listing !== null && was !== null && !isSame(now, was[key]),
      },
    ];
  });
}

function alikeOf({ values, title }: SubmissionRecord, catalog: Catalog): LikeListing[] {
  const { fields } = catalog.kind;
  const place = (values['@place'] ?? fields.filter(({ type }) => type === 'place').map(({ key }) => values[key])[0]) as
    Place | null | undefined;
  const telephones = fields
    .filter(({ type }) => type === 'phone')
    .map(({ key }) => values[key])
    .filter((one): one is string => typeof one === 'string');
  return likelySame(catalog, { title, place: place ?? null, telephones }).map(({ id, why }) => ({
    ...{ id, why, title: catalog.titleOf(id), status: catalog.statusAt(catalog.rowOf(id)!) },
  }));
}
