import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  AddressesPlan,
  BinSummary,
  CategoryMove,
  CategorySetSummary,
  ChangeSummary,
  Changed,
  FieldToLinkSketch,
  FoundListings,
  KeptTable,
  KindSummary,
  LinkCandidate,
  LinkSketch,
  ListingsWindow,
  PictureWindow,
  PreviewedPage,
  ProblemReport,
  Revision,
  TableAsk,
  TypeChangePlan,
} from '@plindo/core/contract';
import type { Blueprint, BlueprintPlan } from '@plindo/core/exchange';
import type { FieldToLinkReport, LinkIdea, Listing, ListingInput } from '@plindo/core/listings';
import type {
  AddressPattern,
  CategorySet,
  CategorySetDefinition,
  Field,
  KeptFile,
  Kind,
  KindSketch,
  Link,
  Picture,
} from '@plindo/core/structure';
import type { TableTotals } from '@plindo/core/query';
import type { Observable } from 'rxjs';

export interface ListingsAsk extends TableAsk {
  readonly offset: number;
  readonly limit: number;
}

/** A blueprint as somebody chose it: a document, or a zip with pictures and files. */
export type BlueprintFile = { readonly document: unknown } | { readonly zip: File };

/** Which of the kept pictures are shown. */
export interface PicturesAsk {
  /** Words of the file name. */
  readonly text: string;
  readonly unused: boolean;
  readonly offset: number;
  readonly limit: number;
}

/** What a table is asked for until somebody asks for something else. */
export const FIRST_ASK: TableAsk = { text: '', status: null, filters: [], sort: '@title', direction: 'up' };

/** A change of many listings: each by its own input, all by the same categories. */
export interface BatchAsk {
  readonly parts: readonly { readonly id: number; readonly version?: number; readonly input: ListingInput }[];
  readonly categories?: { readonly field: string; readonly add: readonly string[]; readonly remove: readonly string[] };
}

/** How many each end of a link may hold, and whether its connections have notes. */
export interface LinkLimits {
  readonly aMany: boolean;
  readonly bMany: boolean;
  readonly hasNotes: boolean;
}

/** Kinds, listings, pictures and the log of changes. */
@Injectable({ providedIn: 'root' })
export class CatalogApi {
  private readonly http = inject(HttpClient);

  kinds(): Observable<KindSummary[]> {
    return this.http.get<KindSummary[]>('/api/kinds');
  }

  kind(id: number): Observable<KindSummary> {
    return this.http.get<KindSummary>(`/api/kinds/${id}`);
  }

  saveKind({ id, ...definition }: Kind): Observable<Changed<Kind>> {
    return this.http.put<Changed<Kind>>(`/api/kinds/${id}`, definition);
  }

  removeKind(id: number): Observable<Changed<{ listings: number }>> {
    return this.http.delete<Changed<{ listings: number }>>(`/api/kinds/${id}`);
  }

  listings(kindId: number, { text, status, filters, ...ask }: ListingsAsk): Observable<ListingsWindow> {
    const where = filters.length > 0 && { where: JSON.stringify(filters) };
    const params = { ...ask, ...(text !== '' && { q: text }), ...(status !== null && { status }), ...where };
    return this.http.get<ListingsWindow>(`/api/kinds/${kindId}/listings`, { params });
  }

  /** What columns come to, over the listings that were chosen or all that the table shows. */
  totals(
    kindId: number,
    { text, status, filters }: TableAsk,
    columns: readonly string[],
    ids: readonly number[] | null,
  ): Observable<TableTotals> {
    const body = {
      q: text,
      where: JSON.stringify(filters),
      columns,
      ...(status !== null && { status }),
      ...(ids && { ids }),
    };
    return this.http.post<TableTotals>(`/api/kinds/${kindId}/totals`, body);
  }

  find(text: string): Observable<FoundListings> {
    return this.http.get<FoundListings>('/api/find', { params: { q: text } });
  }

  problems(): Observable<ProblemReport> {
    return this.http.get<ProblemReport>('/api/problems');
  }

  listing(id: number): Observable<Listing> {
    return this.http.get<Listing>(`/api/listings/${id}`);
  }

  history(listingId: number): Observable<Revision[]> {
    return this.http.get<Revision[]>(`/api/listings/${listingId}/history`);
  }

  restoreListing(listingId: number, changeId: number): Observable<Changed<Listing>> {
    return this.http.post<Changed<Listing>>(`/api/listings/${listingId}/restore`, { changeId });
  }

  addListing(kindId: number, input: ListingInput): Observable<Changed<Listing>> {
    return this.http.post<Changed<Listing>>(`/api/kinds/${kindId}/listings`, input);
  }

  changeListing({ id, version }: Pick<Listing, 'id' | 'version'>, input: ListingInput): Observable<Changed<Listing>> {
    return this.http.patch<Changed<Listing>>(`/api/listings/${id}`, { ...input, version });
  }

  batch(kindId: number, ask: BatchAsk): Observable<Changed<{ listings: number }>> {
    return this.http.post<Changed<{ listings: number }>>(`/api/kinds/${kindId}/batch`, ask);
  }

  duplicate(kindId: number, ids: readonly number[]): Observable<Changed<{ listings: number }>> {
    return this.http.post<Changed<{ listings: number }>>(`/api/kinds/${kindId}/duplicate`, { ids });
  }

  /** Puts a listing right behind another one in the hand order, or first. */
  moveInHandOrder(kindId: number, id: number, after: number | null): Observable<Changed<{ listings: number }>> {
    const body = { id, ...(after !== null && { after }) };
    return this.http.post<Changed<{ listings: number }>>(`/api/kinds/${kindId}/hand-order`, body);
  }

  bin(kindId: number): Observable<BinSummary> {
    return this.http.get<BinSummary>(`/api/kinds/${kindId}/bin`);
  }

  emptyBin(kindId: number): Observable<Changed<BinSummary>> {
    return this.http.delete<Changed<BinSummary>>(`/api/kinds/${kindId}/bin`);
  }

  deleteListing(id: number): Observable<Changed<BinSummary>> {
    return this.http.delete<Changed<BinSummary>>(`/api/listings/${id}`);
  }

  table(kindId: number): Observable<KeptTable> {
    return this.http.get<KeptTable>(`/api/kinds/${kindId}/table`);
  }

  keepTable(kindId: number, kept: KeptTable): Observable<KeptTable> {
    return this.http.put<KeptTable>(`/api/kinds/${kindId}/table`, kept);
  }

  pictures({ text, unused, offset, limit }: PicturesAsk): Observable<PictureWindow> {
    const params = { ...(text !== '' && { q: text }), unused: unused ? 'yes' : 'no', offset, limit };
    return this.http.get<PictureWindow>('/api/pictures', { params });
  }

  deletePictures(hashes: readonly string[]): Observable<Changed<{ pictures: number }>> {
    return this.http.post<Changed<{ pictures: number }>>('/api/pictures/delete', { hashes });
  }

  deleteUnusedPictures(): Observable<Changed<{ pictures: number }>> {
    return this.http.delete<Changed<{ pictures: number }>>('/api/pictures/unused');
  }

  addPicture(file: File): Observable<Omit<Picture, 'alt'>> {
    return this.http.post<Omit<Picture, 'alt'>>('/api/pictures', formWith(file));
  }

  /** Lets the server fetch a picture from an address of the public internet. */
  addPictureFrom(address: string): Observable<Omit<Picture, 'alt'>> {
    return this.http.post<Omit<Picture, 'alt'>>('/api/pictures/from-address', { address });
  }

  addFile(file: File): Observable<KeptFile> {
    return this.http.post<KeptFile>('/api/files', formWith(file));
  }

  addKind(kind: KindSketch): Observable<Changed<Kind>> {
    return this.http.post<Changed<Kind>>('/api/kinds', kind);
  }

  planAddresses(kindId: number, addressPattern: AddressPattern): Observable<AddressesPlan> {
    return this.http.post<AddressesPlan>(`/api/kinds/${kindId}/addresses/plan`, { addressPattern });
  }

  planTypeChange(kindId: number, field: Field): Observable<TypeChangePlan> {
    return this.http.post<TypeChangePlan>(`/api/kinds/${kindId}/type-change/plan`, { field });
  }

  changeType({ id, version }: Kind, field: Field): Observable<Changed<Kind>> {
    return this.http.post<Changed<Kind>>(`/api/kinds/${id}/type-change`, { version, field });
  }

  renameKey({ id, version }: Kind, from: string, to: string): Observable<Changed<Kind>> {
    return this.http.post<Changed<Kind>>(`/api/kinds/${id}/rename-key`, { version, from, to });
  }

  categorySets(): Observable<CategorySetSummary[]> {
    return this.http.get<CategorySetSummary[]>('/api/category-sets');
  }

  addCategorySet(definition: CategorySetDefinition): Observable<Changed<CategorySet>> {
    return this.http.post<Changed<CategorySet>>('/api/category-sets', definition);
  }

  saveCategorySet({ id, ...definition }: CategorySet, move?: CategoryMove): Observable<Changed<CategorySet>> {
    return this.http.put<Changed<CategorySet>>(`/api/category-sets/${id}`, { ...definition, ...(move && { move }) });
  }

  addCategory(setId: number, label: string, parent: string | null): Observable<Changed<CategorySet>> {
    const body = { label, ...(parent !== null && { parent }) };
    return this.http.post<Changed<CategorySet>>(`/api/category-sets/${setId}/categories`, body);
  }

  removeCategorySet(id: number): Observable<Changed<null>> {
    return this.http.delete<Changed<null>>(`/api/category-sets/${id}`);
  }

  /** Fields of a kind that seem to name listings of others, and the other way round. */
  linkIdeas(kindId: number): Observable<LinkIdea[]> {
    return this.http.get<LinkIdea[]>(`/api/kinds/${kindId}/link-ideas`);
  }

  /** What connecting the listings that a field names would come to. */
  planFieldToLink(kindId: number, sketch: FieldToLinkSketch): Observable<FieldToLinkReport> {
    return this.http.post<FieldToLinkReport>(`/api/kinds/${kindId}/field-to-link/plan`, sketch);
  }

  makeFieldLink(
    { id, version }: Pick<Kind, 'id' | 'version'>,
    sketch: FieldToLinkSketch,
  ): Observable<Changed<FieldToLinkReport>> {
    return this.http.post<Changed<FieldToLinkReport>>(`/api/kinds/${id}/field-to-link`, { ...sketch, version });
  }

  links(): Observable<Link[]> {
    return this.http.get<Link[]>('/api/links');
  }

  addLink(sketch: LinkSketch): Observable<Changed<Link>> {
    return this.http.post<Changed<Link>>('/api/links', sketch);
  }

  changeLink({ id, version }: Link, limits: LinkLimits): Observable<Changed<Link>> {
    return this.http.put<Changed<Link>>(`/api/links/${id}`, { ...limits, version });
  }

  removeLink(id: number): Observable<Changed<{ connections: number }>> {
    return this.http.delete<Changed<{ connections: number }>>(`/api/links/${id}`);
  }

  candidates(kindId: number, field: string, text: string): Observable<LinkCandidate[]> {
    return this.http.get<LinkCandidate[]>(`/api/kinds/${kindId}/candidates`, { params: { field, q: text } });
  }

  blueprint(withListings: boolean): Observable<Blueprint> {
    return this.http.get<Blueprint>('/api/blueprint', { params: { listings: withListings ? 'yes' : 'no' } });
  }

  planBlueprint(file: BlueprintFile): Observable<BlueprintPlan> {
    if ('document' in file) return this.http.post<BlueprintPlan>('/api/blueprint/plan', file.document);
    return this.http.post<BlueprintPlan>('/api/blueprint/zip/plan', formWith(file.zip));
  }

  /** The pages of a new site to which a blueprint would be applied. */
  previewBlueprint(file: BlueprintFile): Observable<PreviewedPage[]> {
    if ('document' in file) return this.http.post<PreviewedPage[]>('/api/blueprint/preview', file.document);
    return this.http.post<PreviewedPage[]>('/api/blueprint/zip/preview', formWith(file.zip));
  }

  applyBlueprint(file: BlueprintFile): Observable<Changed<BlueprintPlan>> {
    if ('document' in file) return this.http.post<Changed<BlueprintPlan>>('/api/blueprint', file.document);
    return this.http.post<Changed<BlueprintPlan>>('/api/blueprint/zip', formWith(file.zip));
  }

  /** Changes that are asked for, latest first; properties that are '' are left out. */
  changes(ask: Readonly<Record<string, string | number>> = {}): Observable<ChangeSummary[]> {
    const params = Object.fromEntries(Object.entries(ask).filter(([, value]) => value !== ''));
    return this.http.get<ChangeSummary[]>('/api/changes', { params });
  }

  undo(changeId: number): Observable<Changed<{ sentence: string }>> {
    return this.http.post<Changed<{ sentence: string }>>(`/api/changes/${changeId}/undo`, {});
  }
}

function formWith(file: File): FormData {
  const form = new FormData();
  form.append('file', file);
  return form;
}
