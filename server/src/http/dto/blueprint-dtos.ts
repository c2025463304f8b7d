import 'reflect-metadata';
import { BLUEPRINT_FORMAT, BLUEPRINT_VERSION } from '@plindo/core/exchange';
import { MOST_PICKED } from '@plindo/core/structure';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  MaxLength,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import type { DesignType } from '@plindo/core/design';
import { DESIGN_TYPES } from '@plindo/core/design';
import type { DefinitionDto } from './design-dtos.js';
import { IsDefinition } from './design-dtos.js';
import { ListingDto, SiteDto } from './dtos.js';
import { SelectionPartsDto } from './selection-dtos.js';
import { CategorySetDto, KindDto } from './structure-dtos.js';

/** The document of a blueprint; docs/blueprint.schema.json is written from these classes. */

const MOST_KINDS = 200;
const MOST_LISTINGS = 200_000;
const MOST_SELECTIONS = 1000;
const MOST_DESIGNS = 1000;

export class BlueprintEndDto {
  @IsString() @MaxLength(80) kind!: string;
  @IsString() @MaxLength(60) field!: string;
  @IsBoolean() many!: boolean;
}

export class BlueprintConnectionDto {
  @IsString() @MaxLength(200) a!: string;
  @IsString() @MaxLength(200) b!: string;
  @IsString() @MaxLength(200) note!: string;
  @IsNumber() aOrder!: number;
  @IsNumber() bOrder!: number;
}

export class BlueprintLinkDto {
  @IsObject() @ValidateNested() @Type(() => BlueprintEndDto) a!: BlueprintEndDto;
  @IsObject() @ValidateNested() @Type(() => BlueprintEndDto) b!: BlueprintEndDto;
  @IsBoolean() hasNotes!: boolean;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_LISTINGS)
  @ValidateNested({ each: true })
  @Type(() => BlueprintConnectionDto)
  connections?: BlueprintConnectionDto[];
}

export class BlueprintListingDto extends ListingDto {
  @IsString() @MaxLength(80) kind!: string;
  @IsOptional() @IsObject() aside?: Record<string, unknown>;
}

export class BlueprintSelectionDto extends SelectionPartsDto {
  @IsString() @MaxLength(80) slug!: string;
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_KINDS) kinds!: string[];
  @ValidateIf((sent: BlueprintSelectionDto) => sent.picked !== null)
  @IsString({ each: true })
  @IsArray()
  @ArrayMaxSize(MOST_PICKED)
  picked!: string[] | null;
}

export class BlueprintDesignDto {
  @IsIn(DESIGN_TYPES) type!: DesignType;
  /** Slug of the kind; null for a page of no listing. */
  @ValidateIf((sent: BlueprintDesignDto) => sent.kind !== null) @IsString() @MaxLength(80) kind!: string | null;
  @IsDefinition() definition!: DefinitionDto;
}

export class BlueprintDto {
  @IsIn([BLUEPRINT_FORMAT]) format!: typeof BLUEPRINT_FORMAT;
  @IsIn([BLUEPRINT_VERSION]) version!: typeof BLUEPRINT_VERSION;
  @IsObject() @ValidateNested() @Type(() => SiteDto) site!: SiteDto;
  @IsArray()
  @ArrayMaxSize(MOST_KINDS)
  @ValidateNested({ each: true })
  @Type(() => CategorySetDto)
  categorySets!: CategorySetDto[];
  @IsArray() @ArrayMaxSize(MOST_KINDS) @ValidateNested({ each: true }) @Type(() => KindDto) kinds!: KindDto[];
  @IsArray()
  @ArrayMaxSize(MOST_KINDS)
  @ValidateNested({ each: true })
  @Type(() => BlueprintLinkDto)
  links!: BlueprintLinkDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_SELECTIONS)
  @ValidateNested({ each: true })
  @Type(() => BlueprintSelectionDto)
  selections?: BlueprintSelectionDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_DESIGNS)
  @ValidateNested({ each: true })
  @Type(() => BlueprintDesignDto)
  designs?: BlueprintDesignDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_LISTINGS)
  @ValidateNested({ each: true })
  @Type(() => BlueprintListingDto)
  listings?: BlueprintListingDto[];
}

export class BlueprintQueryDto {
  /** "yes" for a blueprint with all listings and their connections. */
  @IsOptional() @IsIn(['yes', 'no']) listings?: 'yes' | 'no';
}
