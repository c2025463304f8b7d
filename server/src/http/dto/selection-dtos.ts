import 'reflect-metadata';
import { GREATEST_PAGE_SIZE, LONGEST_SELECTION_NAME, MOST_PICKED, PAGERS, SHOWN_TIMES } from '@plindo/core/structure';
import type { ConditionGroup, Pager, ShownTime } from '@plindo/core/structure';
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
import { DateGroupingDto, IsCondition, OrderKeyDto } from './structure-dtos.js';

const MOST_KINDS = 100;
const MOST_FACETS = 50;
const GREATEST_SKIP = 100_000;

/** What of a selection is sent alike everywhere. What is left out has its default. */
export class SelectionPartsDto {
  @IsString() @MaxLength(LONGEST_SELECTION_NAME) name!: string;
  @IsOptional() @IsString() @MaxLength(300) purpose?: string;
  @IsOptional() @IsCondition('group') where?: ConditionGroup;
  @IsOptional() @IsIn(SHOWN_TIMES) shows?: ShownTime;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(10)
  @ValidateNested({ each: true })
  @Type(() => OrderKeyDto)
  order?: OrderKeyDto[];
  @IsOptional() @IsInt() @Min(0) @Max(GREATEST_SKIP) skip?: number;
  @ValidateIf((sent: SelectionPartsDto) => sent.most != null) @IsInt() @Min(1) @Max(GREATEST_SKIP) most?: number | null;
  @IsOptional() @IsInt() @Min(1) @Max(GREATEST_PAGE_SIZE) pageSize?: number;
  @IsOptional() @IsBoolean() leavesOutCurrent?: boolean;
  @ValidateIf((sent: SelectionPartsDto) => sent.grouping != null)
  @ValidateNested()
  @Type(() => DateGroupingDto)
  grouping?: DateGroupingDto | null;
  @IsOptional() @IsIn(PAGERS) pager?: Pager;
  @IsOptional() @IsBoolean() published?: boolean;
  @IsOptional() @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_FACETS) facets?: string[];
}

/** A selection as it is sent, kinds and listings by their numbers. */
export class SelectionDto extends SelectionPartsDto {
  @IsOptional() @IsString() @MaxLength(80) slug?: string;
  @IsOptional() @IsInt({ each: true }) @IsArray() @ArrayMaxSize(MOST_KINDS) kinds?: number[];
  @ValidateIf((sent: SelectionDto) => sent.picked != null)
  @IsInt({ each: true })
  @IsArray()
  @ArrayMaxSize(MOST_PICKED)
  picked?: number[] | null;
}

export class SelectionUpdateDto extends SelectionDto {
  /** The version that the editor has seen. */
  @IsInt() version!: number;
}

export class SelectionPreviewDto {
  @IsObject() @ValidateNested() @Type(() => SelectionDto) selection!: SelectionDto;
}

export class SelectionExplainDto {
  @IsObject() @ValidateNested() @Type(() => SelectionDto) selection!: SelectionDto;
  /** Number of the listing. */
  @IsInt() listing!: number;
}
