import type { MissingAct } from '@plindo/core/contract';
import { MISSING_ACTS } from '@plindo/core/contract';
import type { ImportRow, MatchedRow } from '@plindo/core/exchange';
import { matchedRowsFault } from '@plindo/core/exchange';
import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsIn, IsInt, IsObject, IsString, MaxLength, ValidateNested } from 'class-validator';
import { AreImportRows, AreRows, ImportRowDto, LONGEST_WORD, ListingDto, MOST_IN_A_BATCH } from './dtos.js';

const MOST_COMPARED = 1000;

export class NamesQueryDto {
  /** "@title", "@slug", or the key of a field. */
  @IsString() @MaxLength(61) by!: string;
}

export class MatchedRowDto {
  @IsObject() @ValidateNested() @Type(() => ImportRowDto) row!: ImportRowDto;
  @IsInt() id!: number | null;
}

export class CompareDto {
  @IsIn(['refuse-row', 'leave-empty']) policy!: 'refuse-row' | 'leave-empty';
  @IsArray() @ArrayMaxSize(MOST_COMPARED) @AreRows(MatchedRowDto, matchedRowsFault) rows!: MatchedRow[];
}

export class ListingVersionDto {
  @IsInt() id!: number;
  @IsInt() version!: number;
}

export class FileChangeDto extends ListingVersionDto {
  @IsObject() @ValidateNested() @Type(() => ListingDto) input!: ListingDto;
}

export class MissingDto {
  @IsIn(MISSING_ACTS) act!: MissingAct;
  @IsArray()
  @ArrayMaxSize(MOST_IN_A_BATCH)
  @ValidateNested({ each: true })
  @Type(() => ListingVersionDto)
  listings!: ListingVersionDto[];
}

export class FileUpdateDto {
  @IsString() @MaxLength(LONGEST_WORD) fileName!: string;
  @IsIn(['refuse-row', 'leave-empty']) policy!: 'refuse-row' | 'leave-empty';
  @IsArray()
  @ArrayMaxSize(MOST_IN_A_BATCH)
  @ValidateNested({ each: true })
  @Type(() => FileChangeDto)
  changes!: FileChangeDto[];
  @IsArray() @ArrayMaxSize(MOST_IN_A_BATCH) @AreImportRows(ImportRowDto) additions!: ImportRow[];
  @IsObject() @ValidateNested() @Type(() => MissingDto) missing!: MissingDto;
}
