import 'reflect-metadata';
import type {
  BodyColumns,
  CardDesign,
  CardLead,
  CardSketch,
  CardZone,
  Design,
  DesignType,
  KeptCard,
  KeptFrame,
  KeptLook,
  KeptPage,
  KeptForm,
  KeptRedirects,
  KeptWords,
  Many,
  PictureFit,
  PictureRatio,
  PictureStands,
  SlotForm,
  SlotSize,
  SlotTone,
  Surface,
  ValueSketch,
  Words,
} from '@plindo/core/design';
import {
  BODY_COLUMNS,
  CARD_LEADS,
  DESIGN_TYPES,
  LONGEST_DESIGN_NAME,
  MANY,
  MOST_CARD_SLOTS,
  MOST_LINES,
  MOST_TEXT_PARTS,
  PICTURE_FITS,
  PICTURE_RATIOS,
  PICTURE_STANDS,
  SLOT_FORMS,
  SLOT_SIZES,
  SLOT_TONES,
  SURFACES,
  makeCard,
  readFrame,
  readForm,
  readRedirectsDesign,
  readLook,
  readPage,
  readWords,
} from '@plindo/core/design';
import type { ConditionGroup } from '@plindo/core/structure';
import { MOST_STEPS } from '@plindo/core/structure';
import type { DateForm, Result, UnitCode } from '@plindo/core/values';
import { DATE_FORMS, Refusal, UNITS } from '@plindo/core/values';
import type { TypeHelpOptions } from 'class-transformer';
import { Type } from 'class-transformer';
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsISO8601,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { IsCondition } from './structure-dtos.js';

/** Words, or one value of a listing: exactly one of "words" and "field" is given. */
export class TextPartDto {
  @IsOptional() @IsString() @MaxLength(500) words?: string;
  @IsOptional() @IsString() @MaxLength(61) field?: string;
  @IsOptional() @IsString({ each: true }) @IsArray() @ArrayMaxSize(MOST_STEPS) through?: string[];
  @IsOptional() @IsString() @MaxLength(60) inside?: string;
  @IsOptional() @IsIn(MANY) many?: Many;
  @IsOptional() @IsString() @MaxLength(100) before?: string;
  @IsOptional() @IsString() @MaxLength(100) after?: string;
  @ValidateIf((part: TextPartDto) => part.unit != null) @IsIn(Object.keys(UNITS)) unit?: UnitCode | null;
  @ValidateIf((part: TextPartDto) => part.digits != null) @IsInt() @Min(0) @Max(6) digits?: number | null;
  @IsOptional() @IsIn(DATE_FORMS) dates?: DateForm;
}

export class SlotDto {
  @Matches(/^[a-z0-9_-]{1,80}$/) key!: string;
  @IsArray()
  @ArrayMaxSize(MOST_TEXT_PARTS)
  @ValidateNested({ each: true })
  @Type(() => TextPartDto)
  text!: TextPartDto[];
  @ValidateIf((slot: SlotDto) => slot.label != null) @IsString() @MaxLength(80) label?: string | null;
  @ValidateIf((slot: SlotDto) => slot.icon != null) @Matches(/^[a-z0-9_]{0,40}$/) icon?: string | null;
  @IsOptional() @IsIn(SLOT_FORMS) form?: SlotForm;
  @IsOptional() @IsIn(SLOT_SIZES) size?: SlotSize;
  @IsOptional() @IsBoolean() isBold?: boolean;
  @IsOptional() @IsIn(SLOT_TONES) tone?: SlotTone;
  @ValidateIf((slot: SlotDto) => slot.lines != null) @IsInt() @Min(1) @Max(MOST_LINES) lines?: number | null;
  @IsOptional() @IsString() @MaxLength(61) leadsTo?: string;
  @ValidateIf((slot: SlotDto) => slot.showWhen != null) @IsCondition('group') showWhen?: ConditionGroup | null;
  @IsOptional() @IsString() @MaxLength(200) instead?: string;
}

/** The slots of a zone of a card. */
function Slots(): PropertyDecorator {
  return applied(
    IsOptional(),
    IsArray(),
    ArrayMaxSize(MOST_CARD_SLOTS),
    ValidateNested({ each: true }),
    Type(() => SlotDto),
  );
}

function applied(...rules: readonly PropertyDecorator[]): PropertyDecorator {
  return (target, key) => rules.forEach((rule) => rule(target, key));
}

export class CardZonesDto implements Partial<Record<CardZone, SlotDto[]>> {
  @Slots() topStart?: SlotDto[];
  @Slots() topEnd?: SlotDto[];
  @Slots() bottomStart?: SlotDto[];
  @Slots() bottomEnd?: SlotDto[];
  @Slots() heading?: SlotDto[];
  @Slots() body?: SlotDto[];
  @Slots() foot?: SlotDto[];
}

export class CardPictureDto {
  @IsOptional() @IsIn(PICTURE_STANDS) stands?: PictureStands;
  @IsOptional() @IsString() @MaxLength(61) field?: string;
  @IsOptional() @IsIn(PICTURE_RATIOS) ratio?: PictureRatio;
  @IsOptional() @IsIn(PICTURE_FITS) fit?: PictureFit;
}

/** How the listings of a kind look in a list. What is left out has its default. */
export class CardDto {
  @IsString() @MaxLength(LONGEST_DESIGN_NAME) name!: string;
  @IsOptional() @IsString() @MaxLength(300) purpose?: string;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => CardPictureDto) picture?: CardPictureDto;
  @IsOptional() @IsIn(SURFACES) surface?: Surface;
  @IsOptional() @IsIn(CARD_LEADS) leads?: CardLead;
  @IsOptional() @IsBoolean() canBeKept?: boolean;
  @IsOptional() @IsIn(BODY_COLUMNS) columns?: BodyColumns;
  @IsOptional() @IsObject() @ValidateNested() @Type(() => CardZonesDto) zones?: CardZonesDto;
}

/** A page. Its parts are read by the forms of `core/design`, which name the place of what they cannot read. */
export class PageDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() serves?: unknown;
  @Allow() address?: unknown;
  @Allow() inMenu?: unknown;
  @Allow() title?: unknown;
  @Allow() description?: unknown;
  @Allow() when?: unknown;
  @Allow() categories?: unknown;
  @Allow() selection?: unknown;
  @Allow() strips?: unknown;
}

/** How all pages look. Its parts are read by the form of `core/design`, which names the place of what it cannot read. */
export class LookDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() palette?: unknown;
  @Allow() light?: unknown;
  @Allow() dark?: unknown;
  @Allow() scheme?: unknown;
  @Allow() typefaces?: unknown;
  @Allow() corners?: unknown;
  @Allow() density?: unknown;
  @Allow() depth?: unknown;
  @Allow() buttons?: unknown;
  @Allow() css?: unknown;
}

/** What the site says to visitors in one language. Read by the form of `core/design`. */
export class WordsDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() language?: unknown;
  @Allow() said?: unknown;
}

/** What stands around every page. Read by the form of `core/design`. */
export class FrameDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() brand?: unknown;
  @Allow() logo?: unknown;
  @Allow() hasOwnMenu?: unknown;
  @Allow() menu?: unknown;
  @Allow() searchIn?: unknown;
  @Allow() hasShortlist?: unknown;
  @Allow() columns?: unknown;
  @Allow() line?: unknown;
}

/** Redirects. They are read by the form of `core/design`, which names the place of what it cannot read. */
export class RedirectsDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() entries?: unknown;
}

/** A form with which visitors send in listings. Read by the form of `core/design`. */
export class FormDto {
  @Allow() name?: unknown;
  @Allow() purpose?: unknown;
  @Allow() steps?: unknown;
  @Allow() needsEmail?: unknown;
  @Allow() consents?: unknown;
  @Allow() button?: unknown;
  @Allow() thanks?: unknown;
  @Allow() beginsAs?: unknown;
  @Allow() beginsFeatured?: unknown;
}

export type DefinitionDto = CardDto | PageDto | LookDto | WordsDto | FrameDto | RedirectsDto | FormDto;
const DEFINITIONS: Readonly<Record<DesignType, new () => object>> = {
  ...{ card: CardDto, page: PageDto, look: LookDto, words: WordsDto, frame: FrameDto },
  ...{ redirects: RedirectsDto, form: FormDto },
};

/** The definition of a design, of the class that its type says. */
export function IsDefinition(): PropertyDecorator {
  const classOf = (help?: TypeHelpOptions): new () => object => {
    const type = (help?.object as { type?: unknown } | undefined)?.type;
    return DEFINITIONS[DESIGN_TYPES.find((known) => known === type) ?? 'card'];
  };
  return applied(IsObject(), ValidateNested(), Type(classOf));
}

export class DesignDto {
  @IsIn(DESIGN_TYPES) type!: DesignType;
  /** Number of the kind; null for a page of no listing. */
  @ValidateIf((sent: DesignDto) => sent.kindId !== null) @IsInt() kindId!: number | null;
  @IsDefinition() definition!: DefinitionDto;
}

/** A page that is still being designed, and what it is shown with. */
export class DraftedPageDto {
  @ValidateIf((sent: DraftedPageDto) => sent.kindId !== null) @IsInt() kindId!: number | null;
  @IsObject() @ValidateNested() @Type(() => PageDto) definition!: PageDto;
  /** Of a page of listings: the one with which it is shown. */
  @IsOptional() @IsInt() listingId?: number;
  /** Of a page of categories: the key of the one with which it is shown. */
  @IsOptional() @IsString() @MaxLength(100) category?: string;
  /** State of its lists, as it stands after "?" in an address. */
  @IsOptional() @IsString() @MaxLength(8000) search?: string;
}

/** A draft of a design, or of a new one. */
export class DraftDto extends DesignDto {
  /** Number of the design in whose place it will come; null for a new one. */
  @ValidateIf((sent: DraftDto) => sent.of !== null) @IsInt() of!: number | null;
}

export class DesignNumbersDto {
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(500) @ArrayUnique() @IsInt({ each: true }) ids!: number[];
}

export class DraftsMomentDto extends DesignNumbersDto {
  /** ISO 8601 with its offset; null for no moment. */
  @ValidateIf((sent: DraftsMomentDto) => sent.at !== null) @IsISO8601({ strict: true }) at!: string | null;
}

export class DesignUpdateDto {
  @IsIn(DESIGN_TYPES) type!: DesignType;
  /** The version that the editor has seen. */
  @IsInt() version!: number;
  @IsDefinition() definition!: DefinitionDto;
}

/** The design that a DTO stands for, without the numbers of kind and place. Refused when a page or a look cannot be read. */
export function definedBy({
  type,
  definition,
}: {
  type: DesignType;
  definition: DefinitionDto;
}):
  | DefinitionOf<KeptCard>
  | DefinitionOf<KeptPage>
  | DefinitionOf<KeptLook>
  | DefinitionOf<KeptWords>
  | DefinitionOf<KeptFrame>
  | DefinitionOf<KeptRedirects>
  | DefinitionOf<KeptForm> {
  if (type === 'card') return { type, definition: cardOfDto(definition as CardDto) };
  if (type === 'page') return pageDefinedBy(definition as PageDto);
  const plain = plainOf(definition);
  if (type === 'form') return { type, definition: valueOf(readForm(plain)) };
  if (type === 'redirects') return { type, definition: valueOf(readRedirectsDesign(plain)) };
  if (type === 'frame') return { type, definition: valueOf(readFrame(plain)) };
  if (type === 'words') return { type, definition: valueOf(readWords(plain)) };
  return { type, definition: valueOf(readLook(plain)) };
}

/** The page that a DTO stands for. Refused when it cannot be read. */
export function pageDefinedBy(definition: PageDto): DefinitionOf<KeptPage> {
  return { type: 'page', definition: valueOf(readPage(plainOf(definition))) };
}

function plainOf(definition: DefinitionDto): unknown {
  return JSON.parse(JSON.stringify(definition));
}

type DefinitionOf<Of extends Design> = Pick<Of, 'type' | 'definition'>;

function valueOf<Of>(read: Result<Of>): Of {
  if (!read.ok) throw new Refusal([read.issue]);
  return read.value;
}

/** The card that a DTO stands for. */
function cardOfDto(sent: CardDto): CardDesign {
  const zones = Object.entries(sent.zones ?? {}).map(([zone, slots]) => [
    zone,
    (slots as SlotDto[]).map(({ text, ...slot }) => ({ ...slot, text: text.map(partOfDto) })),
  ]);
  return makeCard({ ...sent, zones: Object.fromEntries(zones) as CardSketch['zones'] });
}

function partOfDto(part: TextPartDto): Words | ValueSketch {
  return part.field === undefined ? { words: part.words ?? '' } : { ...part, field: part.field };
}
