import 'reflect-metadata';
import type { ListingNotice } from '@plindo/core/notices';
import type { CountedFrom, DeedName, LeftStatus, NoticeManner, SiteNotice } from '@plindo/core/structure';
import { LEFT_STATUSES, MOST_ADDRESSES, MOST_CONSEQUENCES, MOST_DAYS, NOTICE_MANNERS } from '@plindo/core/structure';
import type { CalendarSpan } from '@plindo/core/time';
import { SPAN_UNITS } from '@plindo/core/time';
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
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

/** The shapes in which the rule is sent by which listings leave. What is left out has its default. */

const DEEDS: readonly DeedName[] = ['set-status', 'delete', 'categorise', 'feature', 'set-field', 'tell'];
const MOST_KEYS = 100;

export class CountedFromDto {
  @IsIn(['field', 'moment', 'publishing']) by!: CountedFrom['by'];
  @IsOptional() @IsString() @MaxLength(60) field?: string;
  @IsOptional() @IsIn(['from', 'to']) rangeEnd?: 'from' | 'to';
  @IsOptional() @IsIn(['start', 'end']) dayEdge?: 'start' | 'end';
  /** "2026-12-04T18:00Z" */
  @IsOptional() @IsString() @MaxLength(40) at?: string;
}

export class CalendarSpanDto {
  @IsInt() @Min(-MOST_DAYS) @Max(MOST_DAYS) amount!: number;
  @IsIn(SPAN_UNITS) unit!: CalendarSpan['unit'];
}

/** What happens, with what its act needs. */
export class DeedDto {
  @IsIn(DEEDS) act!: DeedName;
  @IsOptional() @IsIn(LEFT_STATUSES) status?: LeftStatus;
  @IsOptional() @IsString() @MaxLength(60) field?: string;
  @IsOptional() @IsArray() @ArrayMaxSize(MOST_KEYS) @IsString({ each: true }) add?: string[];
  @IsOptional() @IsArray() @ArrayMaxSize(MOST_KEYS) @IsString({ each: true }) remove?: string[];
  @IsOptional() @IsBoolean() replaces?: boolean;
  @IsOptional() @IsBoolean() featured?: boolean;
  /** As its field keeps it; null for none. */
  @IsOptional() value?: unknown;
  @IsOptional() @IsArray() @ArrayMaxSize(MOST_ADDRESSES) @IsString({ each: true }) to?: string[];
  @IsOptional() @IsArray() @ArrayMaxSize(MOST_ADDRESSES) @IsString({ each: true }) fields?: string[];
  @IsOptional() @IsIn(NOTICE_MANNERS) manner?: NoticeManner;
}

export class ConsequenceDto {
  @IsString() @MaxLength(20) key!: string;
  @IsInt() @Min(-MOST_DAYS) @Max(MOST_DAYS) days!: number;
  @IsObject() @ValidateNested() @Type(() => DeedDto) deed!: DeedDto;
}

export class ExpiryRuleDto {
  @IsOptional() @IsBoolean() byDefault?: boolean;
  @IsObject() @ValidateNested() @Type(() => CountedFromDto) countedFrom!: CountedFromDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => CalendarSpanDto) offset?: CalendarSpanDto;
  @IsOptional() @IsBoolean() saysOver?: boolean;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_CONSEQUENCES)
  @ValidateNested({ each: true })
  @Type(() => ConsequenceDto)
  consequences?: ConsequenceDto[];
}

/** The rule that a kind could have; null for none. */
export class ExpiryPlanDto {
  @ValidateIf((sent: ExpiryPlanDto) => sent.expiry !== null)
  @IsObject()
  @ValidateNested()
  @Type(() => ExpiryRuleDto)
  expiry!: ExpiryRuleDto | null;
}

/** A zone that the site could have. */
export class ZonePlanDto {
  @IsString() @MaxLength(60) zone!: string;
}

/** Which mails of the outbox: those with a text in them, those before one. */
export class OutboxQueryDto {
  @IsOptional() @IsString() @MaxLength(200) q?: string;
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) before?: number;
}

export class NoticeTargetDto {
  @IsArray() @ArrayMaxSize(MOST_ADDRESSES) @IsString({ each: true }) to!: string[];
  @IsIn(NOTICE_MANNERS) manner!: NoticeManner;
}

/** Who is told what; what is left out is told to nobody. */
export class ToldDto implements Partial<Record<SiteNotice, NoticeTargetDto>> {
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'featured-ended'?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'import-finished'?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) problems?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'signed-in'?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'backup-made'?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'backup-failed'?: NoticeTargetDto;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => NoticeTargetDto) 'submission-came'?: NoticeTargetDto;
}

export class NoticeSettingsDto {
  @IsInt() @Min(0) @Max(23) hour!: number;
  @IsObject() @ValidateNested() @Type(() => ToldDto) told!: ToldDto;
}

/** A stretch of time, by its first moment and the one after its last: milliseconds since 1970. */
export class CalendarQueryDto {
  @Type(() => Number) @IsInt() from!: number;
  @Type(() => Number) @IsInt() until!: number;
}

/** What another rule would do in a stretch of time. */
export class WhatIfDto extends ExpiryPlanDto {
  @IsInt() from!: number;
  @IsInt() until!: number;
}

/** What a notice about a listing would say. */
export class NoticeWordingDto {
  @IsIn(['leaves-soon', 'has-left', 'featured-ended']) about!: ListingNotice['about'];
  @IsString() @MaxLength(500) subject!: string;
  @IsString() @MaxLength(500) text!: string;
  /** Number of the listing that it is shown with. */
  @IsInt() listing!: number;
}
