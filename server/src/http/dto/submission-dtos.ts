import 'reflect-metadata';
import { DECIDED_TOGETHER } from '@plindo/core/contract';
import type { DecidedTogether } from '@plindo/core/contract';
import { SUBMISSION_STATES } from '@plindo/core/submissions';
import type { SubmissionState } from '@plindo/core/submissions';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
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

const LONGEST_REASON = 4000;

/** Which submissions of the queue: in a state, on which heap, of which kind. */
export class QueueDto {
  @IsOptional() @IsIn([...SUBMISSION_STATES, 'all']) state?: SubmissionState | 'all';
  /** "yes" for the heap of what may be misuse. */
  @IsOptional() @IsIn(['yes', 'no']) suspected?: 'yes' | 'no';
  @IsOptional() @Type(() => Number) @IsInt() kind?: number;
  @IsOptional() @Type(() => Number) @IsInt() @Min(0) offset?: number;
  @IsOptional() @Type(() => Number) @IsInt() @Min(1) @Max(200) limit?: number;
}

export class SubmissionVersionDto {
  /** The version that the editor has seen. */
  @IsInt() version!: number;
}

export class DecisionDto extends SubmissionVersionDto {
  /** What the sender is told. */
  @IsOptional() @IsString() @MaxLength(LONGEST_REASON) reason?: string;
}

export class AcceptanceDto extends DecisionDto {
  /** By the key of a field, built-in ones with "@", what is taken of what was sent, or in its place. */
  @IsObject() values!: Record<string, unknown>;
  @IsIn(['live', 'draft']) status!: 'live' | 'draft';
  @IsBoolean() featured!: boolean;
  /** The version of the listing that the editor has seen; null where there is none yet. */
  @ValidateIf((sent: AcceptanceDto) => sent.listingVersion !== null) @IsInt() listingVersion!: number | null;
}

export class MergingDto extends DecisionDto {
  @IsObject() values!: Record<string, unknown>;
  @IsInt() listingId!: number;
  @IsInt() listingVersion!: number;
}

export class NamedSubmissionDto extends SubmissionVersionDto {
  @IsInt() id!: number;
}

export class DecideTogetherDto {
  @IsIn(DECIDED_TOGETHER) act!: DecidedTogether;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @Type(() => NamedSubmissionDto)
  submissions!: NamedSubmissionDto[];
  @IsOptional() @IsString() @MaxLength(LONGEST_REASON) reason?: string;
}
