import 'reflect-metadata';
import type { ImportRow } from '@plindo/core/exchange';
import { importRowsFault } from '@plindo/core/exchange';
import { COMPARISONS } from '@plindo/core/learn';
import type { Comparison } from '@plindo/core/learn';
import { MOST_FIELDS } from '@plindo/core/structure';
import type { OrderSubject } from '@plindo/core/structure';
import { STATUSES } from '@plindo/core/listings';
import type { Status } from '@plindo/core/listings';
import { NoticeSettingsDto } from './expiry-dtos.js';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  IsUrl,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateNested,
} from 'class-validator';
import { ITEMS_RULE } from './items-rule.js';
import { FieldDto } from './structure-dtos.js';

/**
 * The shapes of requests. They are checked for form here; what the values mean is checked by the rules in core. A
 * property that isn't declared is refused.
 */

export const LONGEST_WORD = 300;
const MOST_ROWS_A_BATCH = 1000;
export const MOST_IN_A_BATCH = 20_000;
const MOST_VIEWS = 100;

export class KeptFileDto {
  @Matches(/^[0-9a-f]{32}$/) hash!: string;
  @IsString() @MaxLength(200) name!: string;
  @IsString() @MaxLength(100) type!: string;
  @IsInt() @Min(0) bytes!: number;
}

export class MapTilesDto {
  @IsString() @MaxLength(300) url!: string;
  @IsString() @MaxLength(LONGEST_WORD) credit!: string;
}

/** Backups every day at an hour, and how many are kept. */
export class BackupScheduleDto {
  @IsInt() @Min(0) @Max(23) hour!: number;
  @IsInt() @Min(1) @Max(365) keep!: number;
}

/** Of the settings of the site those that change. */
const MOST_REASONS = 30;

export class SiteDto {
  @IsOptional() @IsString() @MaxLength(120) name?: string;
  @IsOptional() @IsString() @MaxLength(LONGEST_WORD) tagline?: string;
  @IsOptional() @IsString() @MaxLength(35) locale?: string;
  @IsOptional() @IsString() @MaxLength(60) zone?: string;

  /** What the site tells of itself, and to whom. */
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeSettingsDto) notices?: NoticeSettingsDto;

  /** A file that was kept before, with GeoJSON. */
  @IsOptional() @ValidateNested() @Type(() => KeptFileDto) baseMap?: KeptFileDto | null;

  /** Where maps get their pictures of the ground. */
  @IsOptional() @ValidateNested() @Type(() => MapTilesDto) mapTiles?: MapTilesDto | null;

  /** When backups are made by themselves; null for never. */
  @IsOptional() @ValidateNested() @Type(() => BackupScheduleDto) backups?: BackupScheduleDto | null;

  /** After how many hours without a request people are signed out. */
  @IsOptional() @IsInt() @Min(1) @Max(336) idleHours?: number;

  /** Whether owners who have no second step can do nothing but turn it on. */
  @IsOptional() @IsBoolean() ownersNeedStep?: boolean;

  /** Whether it is counted how often pages of listings are looked at. */
  @IsOptional() @IsBoolean() countsViews?: boolean;

  /** Sentences that the office often tells senders, beside those that Plindo has. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_REASONS)
  @IsString({ each: true })
  @MaxLength(500, { each: true })
  reviewReasons?: string[];

  /** Where the site stands, "https://guide.example"; '' for wherever it is asked for. */
  @IsOptional() @IsString() @MaxLength(200) address?: string;
}

/** Values are read by the field types, so anything may stand in them here. */
export class ListingDto {
  @IsOptional() @IsString() @MaxLength(200) slug?: string;
  @IsOptional() @IsString() title?: string;
  @IsOptional() @IsString() summary?: string;
  @IsOptional() picture?: unknown;
  @IsOptional() body?: unknown;
  @IsOptional() place?: unknown;
  @IsOptional() @IsString() author?: string;
  @IsOptional() @IsObject() values?: Record<string, unknown>;
  @IsOptional() @IsString() status?: string;
  /** Moments as milliseconds since 1970, or as text with an offset or in the site's zone; null for none. */
  @IsOptional() shownFrom?: unknown;
  @IsOptional() shownUntil?: unknown;
  /** 'by-rule' or 'off'; null for whatever the rule of the kind says of those that don't say. */
  @IsOptional() expiry?: unknown;
  @IsOptional() @IsBoolean() featured?: boolean;
  @IsOptional() featuredFrom?: unknown;
  @IsOptional() featuredUntil?: unknown;
  @IsOptional() handOrder?: unknown;
}

export class ListingUpdateDto extends ListingDto {
  /** The version that the editor has seen. */
  @IsInt() version!: number;
}

export class BatchPartDto {
  @IsInt() id!: number;
  @IsOptional() @IsInt() version?: number;
  @IsObject() @ValidateNested() @Type(() => ListingDto) input!: ListingDto;
}

export class CategoryChangeDto {
  @IsString() @MaxLength(60) field!: string;
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_ROWS_A_BATCH) add!: string[];
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_ROWS_A_BATCH) remove!: string[];
}

export class BatchDto {
  @IsArray()
  @ArrayMaxSize(MOST_IN_A_BATCH)
  @ValidateNested({ each: true })
  @Type(() => BatchPartDto)
  parts!: BatchPartDto[];
  @IsOptional() @ValidateNested() @Type(() => CategoryChangeDto) categories?: CategoryChangeDto;
}

export class RestoreDto {
  /** The change that left the listing as it should be again. */
  @IsInt() changeId!: number;
}

export class DuplicateDto {
  @IsInt({ each: true }) @IsArray() @ArrayMaxSize(MOST_IN_A_BATCH) ids!: number[];
}

export class HandOrderDto {
  @IsInt() id!: number;
  /** The listing behind which it should stand; absent to stand first. */
  @IsOptional() @IsInt() after?: number;
}

export class TableAskDto {
  @IsString() @MaxLength(200) text!: string;
  @IsOptional() @IsIn(STATUSES) status: Status | null = null;
  @IsArray() filters!: unknown[];
  @IsString() @MaxLength(80) sort!: OrderSubject;
  @IsIn(['up', 'down']) direction!: 'up' | 'down';
}

export class TableViewDto {
  @IsString() @MaxLength(60) name!: string;
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FIELDS) columns!: string[];
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FIELDS) frozen!: string[];
  @IsObject() @ValidateNested() @Type(() => TableAskDto) ask!: TableAskDto;
}

export class KeptTableDto {
  @IsOptional() @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FIELDS) columns: string[] | null = null;
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FIELDS) frozen!: string[];
  @IsArray() @ArrayMaxSize(MOST_VIEWS) @ValidateNested({ each: true }) @Type(() => TableViewDto) views!: TableViewDto[];
}

export class ListingsQueryDto {
  @IsOptional() @IsString() @MaxLength(200) q?: string;
  @IsOptional() @IsIn(STATUSES) status?: Status;
  /** A list of filters as JSON: `[{"by":"field:price","op":"at-most","value":"40"}]`. */
  @IsOptional() @IsString() @MaxLength(8000) where?: string;
  /** "title", "featured", "hand-order", "status", "newest", "changed" or "field:KEY". */
  @IsOptional() @IsString() @MaxLength(80) sort?: OrderSubject;
  @IsOptional() @IsIn(['up', 'down']) direction?: 'up' | 'down';
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) offset?: number;
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(500) limit?: number;
}

export class TotalsDto {
  @IsOptional() @IsString() @MaxLength(200) q?: string;
  @IsOptional() @IsIn(STATUSES) status?: Status;
  /** A list of filters as JSON, as for the table. */
  @IsOptional() @IsString() @MaxLength(8000) where?: string;
  /** Keys of fields, built-in ones with "@". */
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FIELDS) columns!: string[];
  /** The listings that were chosen; all that the table shows where none are given. */
  @IsOptional() @IsInt({ each: true }) @IsArray() @ArrayMaxSize(MOST_IN_A_BATCH) ids?: number[];
}

export class ChangesQueryDto {
  @IsOptional() @IsString() @MaxLength(200) q?: string;
  @IsOptional() @IsString() @MaxLength(120) who?: string;
  /** Days, 2026-12-04, both in. */
  @IsOptional() @Matches(/^\d{4}-\d{2}-\d{2}$/) from?: string;
  @IsOptional() @Matches(/^\d{4}-\d{2}-\d{2}$/) until?: string;
  /** Older ones than the change of this number. */
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) before?: number;
}

export class LearnQueryDto {
  /** Days of the site, 2026-12-04, both in. */
  @Matches(/^\d{4}-\d{2}-\d{2}$/) from!: string;
  @Matches(/^\d{4}-\d{2}-\d{2}$/) to!: string;
  /** What it is compared with: "before" for as many days right before, "year" for the same days a year before. */
  @IsOptional() @IsIn(COMPARISONS) against?: Comparison;
  /** Of one kind alone. */
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) kind?: number;
  /** The listing whose views over time are told; of all where it is left out. */
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) listing?: number;
}

export class FindQueryDto {
  @IsString() @MaxLength(200) q!: string;
}

export class PicturesQueryDto {
  @IsOptional() @IsString() @MaxLength(200) q?: string;
  @IsOptional() @IsIn(['yes', 'no']) unused?: 'yes' | 'no';
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) offset?: number;
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(200) limit?: number;
}

export class PictureAddressDto {
  @IsUrl({ protocols: ['http', 'https'], require_protocol: true, require_tld: false })
  @MaxLength(2000)
  address!: string;
}

export class PictureHashesDto {
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_ROWS_A_BATCH) hashes!: string[];
}

export class PlacesQueryDto {
  @IsString() @MaxLength(200) q!: string;
}

export class SuggestionsQueryDto extends PlacesQueryDto {
  /** Path of a page with a list: "/berths". */
  @IsString() @MaxLength(200) path!: string;

  /** The name of the list, where the page has several. */
  @IsOptional() @IsString() @MaxLength(40) area?: string;
}

export class PageQueryDto {
  /** Path and state of a page: "/berths?facility=water". */
  @IsString() @MaxLength(8000) url!: string;
}

export class DraftedPageQueryDto extends PageQueryDto {
  /** "yes" for the page with all drafts in their places; who has not signed in gets the page of visitors. */
  @IsOptional() @IsIn(['yes']) drafts?: string;
}

export class CardsQueryDto {
  /** Numbers of listings with commas between them: "12,7". */
  @IsString()
  @MaxLength(1000)
  @Matches(/^\d{1,15}(,\d{1,15})*$/)
  of!: string;
}

export class FormerAddressesQueryDto {
  /** A part of the addresses. */
  @IsOptional() @IsString() @MaxLength(200) q?: string;
}

export class AddressesDto {
  /** Addresses of the site: "/about". */
  @IsArray()
  @ArrayMaxSize(500)
  @IsString({ each: true })
  @MaxLength(2000, { each: true })
  addresses!: string[];
}

export class PageExplainQueryDto extends PageQueryDto {
  @Type(() => Number) @IsInt() listing!: number;
}

export class PreviewQueryDto {
  /** State of the page, as it stands after "?" in an address. */
  @IsOptional() @IsString() @MaxLength(8000) search?: string;
}

export class ImportKindDto {
  @IsString() @MaxLength(80) slug!: string;
  @IsString() @MaxLength(80) one!: string;
  @IsString() @MaxLength(80) many!: string;
  @IsArray() @ArrayMaxSize(MOST_FIELDS) @ValidateNested({ each: true }) @Type(() => FieldDto) fields!: FieldDto[];
}

export class ImportStartDto {
  @IsString() @MaxLength(LONGEST_WORD) fileName!: string;
  @IsInt() @Min(1) rows!: number;
  @IsIn(['refuse-row', 'leave-empty']) policy!: 'refuse-row' | 'leave-empty';
  @IsObject() @ValidateNested() @Type(() => ImportKindDto) kind!: ImportKindDto;
}

export class SurplusDto {
  @IsInt() found!: number;
  @IsInt() wanted!: number;
}

export class ImportRowDto {
  @IsInt() @Min(1) line!: number;
  @IsObject() @ValidateNested() @Type(() => ListingDto) input!: ListingDto;
  @IsOptional() @ValidateNested() @Type(() => SurplusDto) surplus?: SurplusDto;
}

/**
 * Rows of an import. They come by the thousand, so they are looked at in one go; the class says for the document what they
 * are made of.
 */
export function AreImportRows(row: new () => ImportRow): PropertyDecorator {
  return AreRows(row, importRowsFault);
}

export function AreRows(
  row: new () => object,
  faultIn: (rows: readonly unknown[]) => string | null,
): PropertyDecorator {
  const faultOf = (value: unknown): string | null => (Array.isArray(value) ? faultIn(value) : null);
  return ValidateBy({
    name: ITEMS_RULE,
    constraints: [row],
    validator: {
      validate: (value) => faultOf(value) === null,
      defaultMessage: (given) => `$property: ${faultOf(given?.value) ?? 'the rows are not right.'}`,
    },
  });
}

export class ImportBatchDto {
  @IsInt() @Min(0) offset!: number;
  @IsArray() @ArrayMaxSize(MOST_ROWS_A_BATCH) @AreImportRows(ImportRowDto) rows!: ImportRow[];
}
