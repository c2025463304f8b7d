import 'reflect-metadata';
import type { StarterFile } from '@plindo/core/design';
import { STARTER_FORMAT, STARTER_VERSION } from '@plindo/core/design';
import type { FieldTypeName } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES } from '@plindo/core/structure';
import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsIn, IsString, MaxLength, ValidateNested } from 'class-validator';
import type { CardDto, PageDto } from './design-dtos.js';
import { IsDefinition, definedBy } from './design-dtos.js';

/** A card or a page in a file; docs/starter-file.schema.json is written from these classes. */

const MOST_FIELDS = 200;
const STARTER_TYPES = ['card', 'page'] as const;

export class StarterFieldDto {
  @IsString() @MaxLength(61) key!: string;
  @IsString() @MaxLength(80) label!: string;
  @IsIn(FIELD_TYPE_NAMES) type!: FieldTypeName;
}

export class StarterFileDto {
  @IsIn([STARTER_FORMAT]) format!: typeof STARTER_FORMAT;
  @IsIn([STARTER_VERSION]) version!: typeof STARTER_VERSION;
  @IsIn(STARTER_TYPES) type!: (typeof STARTER_TYPES)[number];
  /** What many of its kind are called where it was made. */
  @IsString() @MaxLength(80) kind!: string;
  /** The fields that it shows, by which those are found that take their places. */
  @IsArray()
  @ArrayMaxSize(MOST_FIELDS)
  @ValidateNested({ each: true })
  @Type(() => StarterFieldDto)
  fields!: StarterFieldDto[];
  @IsDefinition() definition!: CardDto | PageDto;
}

/** The file that a DTO stands for. Refused where its design cannot be read. */
export function starterFileOfDto({ format, version, kind, type, fields, definition }: StarterFileDto): StarterFile {
  const plain = fields.map(({ key, label, type: of }) => ({ key, label, type: of }));
  return { format, version, kind, fields: plain, ...definedBy({ type, definition }) } as StarterFile;
}
