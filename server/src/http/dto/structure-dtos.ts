import 'reflect-metadata';
import {
  ADDRESS_FORMS,
  BUILT_IN_PARTS,
  MOST_ADDRESS_PARTS,
  COMPUTED_RESULTS,
  FACET_CONTROLS,
  FIELD_TYPE_NAMES,
  GREATEST_PAGE_SIZE,
  MOST_CATEGORIES,
  MOST_FIELDS,
  MOST_STEPS,
  OPERATORS,
  OWNERS_CHANGES,
  PAGERS,
  RANGE_ENDS,
  START_STATUSES,
  STRUCTURED_TYPE_NAMES,
  isConditionForm,
  isGroup,
} from '@plindo/core/structure';
import type {
  AddressForm,
  BuiltInPart,
  ComputedResult,
  Condition,
  DateOrder,
  FacetControl,
  FieldTypeName,
  LinkSide,
  OrderSubject,
  OwnersChange,
  Pager,
  Picture,
  RangeEnds,
  StartStatus,
  StructuredTypeName,
} from '@plindo/core/structure';
import { PERIOD_UNITS } from '@plindo/core/time';
import type { PeriodUnit } from '@plindo/core/time';
import { DISTANCE_UNITS, UNITS } from '@plindo/core/values';
import type { DistanceUnit, UnitCode } from '@plindo/core/values';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { ExpiryRuleDto } from './expiry-dtos.js';

/** The shapes in which structure is sent. What is left out has its default. */

const LONGEST_WORD = 300;
const MOST_FACETS = 50;
const MOST_CHOICES_SENT = 5000;
const MOST_MOVED = 100_000;
const MOST_SYNONYMS = 500;
const MOST_ALIKE = 20;

function AreSynonyms(): PropertyDecorator {
  const isGroup = (group: unknown): boolean =>
    Array.isArray(group) &&
    group.length <= MOST_ALIKE &&
    group.every((word) => typeof word === 'string' && word.trim() !== '' && word.length <= LONGEST_WORD);
  const validate = (value: unknown): boolean => Array.isArray(value) && value.every(isGroup);
  const defaultMessage = (): string => `$property must be lists of up to ${MOST_ALIKE} words`;
  return ValidateBy({ name: 'areSynonyms', validator: { validate, defaultMessage } });
}

/** Keys of fields by names. */
function AreKeysByName(): PropertyDecorator {
  const isShort = (text: unknown): boolean => typeof text === 'string' && text.length <= LONGEST_WORD;
  const validate = (value: unknown): boolean =>
    typeof value === 'object' &&
    value !== null &&
    Object.keys(value).length <= MOST_ALIKE &&
    Object.entries(value).flat().every(isShort);
  const defaultMessage = (): string => `$property must have at most ${MOST_ALIKE} keys of fields by names`;
  return ValidateBy({ name: 'areKeysByName', validator: { validate, defaultMessage } });
}

/** A number, or a text such as "this year + 1". */
function IsBound(): PropertyDecorator {
  const validate = (value: unknown): boolean =>
    typeof value === 'number' || (typeof value === 'string' && value.length <= 40);
  return ValidateBy({
    name: 'isBound',
    validator: { validate, defaultMessage: () => '$property must be a number or a short text' },
  });
}

/** Conditions nested in "all", "any" and "none", or a test of a field. */
export function IsCondition(form: 'any' | 'group' = 'any'): PropertyDecorator {
  const defaultMessage = (): string =>
    `$property must be a condition: {join, of}, {field, op, value} or {link, where}, op one of ${OPERATORS.join(', ')}`;
  return ValidateBy({
    name: 'isCondition',
    validator: {
      validate: (value) => isConditionForm(value) && (form === 'any' || isGroup(value)),
      defaultMessage,
    },
  });
}

export class ChoiceDto {
  @IsString() @MaxLength(LONGEST_WORD) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  /** Of categories, which come with a kind when it is read; they are kept with their set. */
  @IsOptional() @IsString() @MaxLength(LONGEST_WORD) parent?: string;
  @IsOptional() @IsString() @MaxLength(60) icon?: string;
  @IsOptional() @IsString() @MaxLength(7) colour?: string;
  @IsOptional() @IsString() @MaxLength(1000) text?: string;
  @IsOptional() @IsObject() picture?: Picture;
  @IsOptional() @IsString({ each: true }) formerKeys?: string[];
}

export class FieldSettingsDto {
  @IsOptional() @IsBound() least?: number | string;
  @IsOptional() @IsBound() greatest?: number | string;
  @IsOptional() @IsNumber() step?: number;
  @IsOptional() @IsInt() @Min(0) shortest?: number;
  @IsOptional() @IsInt() @Min(1) longest?: number;
  @IsOptional() @IsString() @MaxLength(60) pattern?: string;
  @IsOptional() @IsInt() @Min(0) @Max(15) decimals?: number;
  @IsOptional() @IsString() @MaxLength(3) currency?: string;
  @IsOptional() @IsIn(Object.keys(UNITS)) unit?: UnitCode;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_CHOICES_SENT)
  @ValidateNested({ each: true })
  @Type(() => ChoiceDto)
  choices?: ChoiceDto[];
  @IsOptional() @IsInt() link?: number;
  @IsOptional() @IsIn(['a', 'b']) side?: LinkSide;
  /** Comes with a kind when it is read; it is kept with the link. */
  @IsOptional() @ValidateNested() @Type(() => LinkedFieldDto) linked?: LinkedFieldDto;
  @IsOptional() @IsInt() set?: number;
  @IsOptional() @IsIn(['ymd', 'dmy', 'mdy']) dateOrder?: DateOrder;
  @IsOptional() @IsInt() stars?: number;
  @IsOptional() @IsIn(RANGE_ENDS) ends?: RangeEnds;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_FIELDS)
  @ValidateNested({ each: true })
  @Type(() => FieldDto)
  fields?: FieldDto[];
  @IsOptional() @IsInt() @Min(0) fewest?: number;
  @IsOptional() @IsInt() @Min(1) most?: number;
  @IsOptional() @IsString() @MaxLength(1000) expression?: string;
  @IsOptional() @IsIn(COMPUTED_RESULTS) result?: ComputedResult;
  @IsOptional() @IsString() @MaxLength(60) before?: string;
  @IsOptional() @IsString() @MaxLength(60) after?: string;
}

export class FieldDto {
  @IsString() @MaxLength(60) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  @IsIn(FIELD_TYPE_NAMES) type!: FieldTypeName;
  @IsOptional() @IsBoolean() required?: boolean;
  @IsOptional() @IsString() @MaxLength(1000) help?: string;
  @IsOptional() @IsString() @MaxLength(LONGEST_WORD) placeholder?: string;
  /** As it would be typed; the field's type reads it. */
  @IsOptional() default?: unknown;
  @IsOptional() @IsBoolean() unique?: boolean;
  @IsOptional() @IsString() @MaxLength(60) section?: string;
  @ValidateIf((field: FieldDto) => field.showWhen != null) @IsCondition() showWhen?: Condition | null;
  @IsOptional() @ValidateNested() @Type(() => FieldSettingsDto) settings?: FieldSettingsDto;
  @IsOptional() @IsBoolean() inTable?: boolean;
  @IsOptional() @IsBoolean() editInTable?: boolean;
  /** Of documents from before cards were designed. */
  @IsOptional() @IsBoolean() onCard?: boolean;
  @IsOptional() @IsNumber() @Min(0) @Max(10) searchWeight?: number;
}

export class FacetDependenceDto {
  @IsString() @MaxLength(60) facet!: string;
  @ValidateIf((dependence: FacetDependenceDto) => dependence.value !== null)
  @IsString()
  @MaxLength(200)
  value!: string | null;
}

export class FacetDto {
  @IsString() @MaxLength(60) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  @IsString() @MaxLength(60) field!: string;
  @IsIn(FACET_CONTROLS) control!: FacetControl;
  @IsIn(['any', 'all']) join!: 'any' | 'all';
  @IsIn(['dim', 'hide']) zero!: 'dim' | 'hide';
  @IsIn(['count', 'label', 'defined']) valueOrder!: 'count' | 'label' | 'defined';
  @IsInt() @Min(1) @Max(500) shownFirst!: number;
  @IsOptional() @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_STEPS) through?: string[];
  @IsOptional() @IsBoolean() startsOpen?: boolean;
  @ValidateIf((facet: FacetDto) => facet.dependsOn != null)
  @ValidateNested()
  @Type(() => FacetDependenceDto)
  dependsOn?: FacetDependenceDto | null;
  @IsOptional() @IsIn(Object.keys(DISTANCE_UNITS)) unit?: DistanceUnit;
}

export class DateGroupingDto {
  @IsString() @MaxLength(60) field!: string;
  @IsOptional() @IsString() @MaxLength(60) endField?: string;
  @IsOptional() @IsIn(PERIOD_UNITS) unit?: PeriodUnit;
  @IsOptional() @IsIn(['up', 'down']) direction?: 'up' | 'down';
  @IsOptional() @IsIn(['first', 'every']) spans?: 'first' | 'every';
  @IsOptional() @IsIn(['in-place', 'folded']) past?: 'in-place' | 'folded';
  @IsOptional() @IsBoolean() showsEmpty?: boolean;
  @IsOptional() @IsString() @MaxLength(LONGEST_WORD) undatedLabel?: string;
}

export class OrderKeyDto {
  @IsString() @MaxLength(80) by!: OrderSubject;
  @IsIn(['up', 'down']) direction!: 'up' | 'down';
  @IsOptional() @IsIn(['first', 'last']) missing?: 'first' | 'last';
}

export class SortChoiceDto {
  @IsString() @MaxLength(60) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  @IsArray() @ArrayMaxSize(10) @ValidateNested({ each: true }) @Type(() => OrderKeyDto) order!: OrderKeyDto[];
}

export class FieldSectionDto {
  @IsString() @MaxLength(60) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  @IsBoolean() folded!: boolean;
}

export class AddressPartDto {
  @IsOptional() @IsString() @MaxLength(61) field?: string;
  @IsOptional() @IsIn(ADDRESS_FORMS) as?: AddressForm;
  @IsOptional() @IsString() @MaxLength(80) text?: string;
}

/** What the addresses of listings are made of; null or nothing for the slug of each. */
export class AddressPatternDto {
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_ADDRESS_PARTS)
  @ValidateNested({ each: true })
  @Type(() => AddressPartDto)
  addressPattern?: AddressPartDto[] | null;
}

/** What the listings of a kind are for search engines. */
export class StructuredDto {
  @IsIn(['', ...STRUCTURED_TYPE_NAMES]) type!: StructuredTypeName | '';
  /** By the name of a property of schema.org, the key of a field. */
  @IsObject() @AreKeysByName() fields!: Record<string, string>;
}

export class KindDto extends AddressPatternDto {
  @IsString() @MaxLength(80) slug!: string;
  @IsString() @MaxLength(80) one!: string;
  @IsString() @MaxLength(80) many!: string;
  @IsOptional() @IsString() @MaxLength(60) icon?: string;
  @IsOptional() @IsString() @MaxLength(7) colour?: string;
  @IsOptional() @IsString() @MaxLength(1000) intro?: string;
  @IsOptional() @IsBoolean() published?: boolean;
  @IsOptional() @IsBoolean() putAside?: boolean;
  @IsOptional() @IsIn(BUILT_IN_PARTS, { each: true }) @ArrayMaxSize(BUILT_IN_PARTS.length) parts?: BuiltInPart[];
  @IsOptional() @IsBoolean() hasIndexPage?: boolean;
  @IsOptional() @IsBoolean() hasListingPages?: boolean;
  @IsOptional() @IsIn(START_STATUSES) startStatus?: StartStatus;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(10)
  @ValidateNested({ each: true })
  @Type(() => OrderKeyDto)
  defaultOrder?: OrderKeyDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_FACETS)
  @ValidateNested({ each: true })
  @Type(() => FieldSectionDto)
  sections?: FieldSectionDto[];
  @IsArray() @ArrayMaxSize(MOST_FIELDS) @ValidateNested({ each: true }) @Type(() => FieldDto) fields!: FieldDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_FACETS)
  @ValidateNested({ each: true })
  @Type(() => FacetDto)
  facets?: FacetDto[];
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_FACETS)
  @ValidateNested({ each: true })
  @Type(() => SortChoiceDto)
  sortChoices?: SortChoiceDto[];
  @ValidateIf((kind: KindDto) => kind.grouping != null)
  @ValidateNested()
  @Type(() => DateGroupingDto)
  grouping?: DateGroupingDto | null;
  /** Null for listings that never leave by themselves. */
  @ValidateIf((kind: KindDto) => kind.expiry != null)
  @IsObject()
  @ValidateNested()
  @Type(() => ExpiryRuleDto)
  expiry?: ExpiryRuleDto | null;
  @IsOptional() @IsInt() @Min(1) @Max(GREATEST_PAGE_SIZE) pageSize?: number;
  @IsOptional() @IsIn(PAGERS) pager?: Pager;
  /** Groups of words and phrases that stand for one another in a search. */
  @IsOptional() @IsArray() @ArrayMaxSize(MOST_SYNONYMS) @AreSynonyms() synonyms?: string[][];
  @IsOptional() @IsIn(OWNERS_CHANGES) ownersChange?: OwnersChange;
  /** Null for what Plindo takes them for. */
  @ValidateIf((kind: KindDto) => kind.structured != null)
  @IsObject()
  @ValidateNested()
  @Type(() => StructuredDto)
  structured?: StructuredDto | null;
}

export class LinkEndDto {
  @IsInt() kindId!: number;
  @IsString() @MaxLength(80) label!: string;
  @IsBoolean() many!: boolean;
}

export class LinkDto {
  @IsObject() @ValidateNested() @Type(() => LinkEndDto) a!: LinkEndDto;
  @IsObject() @ValidateNested() @Type(() => LinkEndDto) b!: LinkEndDto;
  @IsBoolean() hasNotes!: boolean;
}

export class FieldToLinkDto {
  @IsString() @MaxLength(60) field!: string;
  @IsInt() otherKindId!: number;
  /** "@title", "@slug", or the key of a field of the other kind. */
  @IsString() @MaxLength(61) namedBy!: string;
  @IsString() @MaxLength(80) otherLabel!: string;
}

export class FieldToLinkOrderDto extends FieldToLinkDto {
  /** The version of the kind that the editor has seen. */
  @IsInt() version!: number;
}

export class LinkUpdateDto {
  @IsBoolean() aMany!: boolean;
  @IsBoolean() bMany!: boolean;
  @IsBoolean() hasNotes!: boolean;
  /** The version that the editor has seen. */
  @IsInt() version!: number;
}

export class LinkedFieldDto {
  @IsInt() kindId!: number;
  @IsBoolean() many!: boolean;
  @IsBoolean() hasNotes!: boolean;
}

export class CandidatesQueryDto {
  @IsString() @MaxLength(60) field!: string;
  @IsOptional() @IsString() @MaxLength(200) q?: string;
}

export class CategoryDto {
  @IsString() @MaxLength(100) key!: string;
  @IsString() @MaxLength(LONGEST_WORD) label!: string;
  @ValidateIf((category: CategoryDto) => category.parent !== null) @IsString() @MaxLength(100) parent!: string | null;
  @IsString() @MaxLength(60) icon!: string;
  @IsString() @MaxLength(7) colour!: string;
  @IsString() @MaxLength(1000) text!: string;
  /** A picture that is kept, or null; read by its field type's rules. */
  @IsOptional() @IsObject() picture: Picture | null = null;
  @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_CATEGORIES) formerKeys!: string[];
}

export class CategorySetDto {
  @IsString() @MaxLength(80) slug!: string;
  @IsString() @MaxLength(80) label!: string;
  @IsArray()
  @ArrayMaxSize(MOST_CATEGORIES)
  @ValidateNested({ each: true })
  @Type(() => CategoryDto)
  categories!: CategoryDto[];
}

export class CategoryMoveDto {
  @IsString() @MaxLength(100) from!: string;
  @IsString() @MaxLength(100) to!: string;
  @IsInt({ each: true }) @IsArray() @ArrayMaxSize(MOST_MOVED) listings!: number[];
}

export class CategorySetUpdateDto extends CategorySetDto {
  /** The version that the editor has seen. */
  @IsInt() version!: number;
  /** Listings that get another category, as when one is split. */
  @IsOptional() @ValidateNested() @Type(() => CategoryMoveDto) move?: CategoryMoveDto;
}

export class NewCategoryDto {
  @IsString() @MaxLength(80) label!: string;
  @IsOptional() @IsString() @MaxLength(100) parent?: string;
}

export class TypeChangeDto {
  @IsObject() @ValidateNested() @Type(() => FieldDto) field!: FieldDto;
}

export class TypeChangeOrderDto extends TypeChangeDto {
  /** The version of the kind that the editor has seen. */
  @IsInt() version!: number;
}

export class RenameKeyDto {
  @IsString() @MaxLength(60) from!: string;
  @IsString() @MaxLength(60) to!: string;
  /** The version of the kind that the editor has seen. */
  @IsInt() version!: number;
}

export class KindUpdateDto extends KindDto {
  /** The version that the editor has seen. */
  @IsInt() version!: number;
}
