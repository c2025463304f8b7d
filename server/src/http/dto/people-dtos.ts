import 'reflect-metadata';
import { ROLES } from '@plindo/core/contract';
import type { Role } from '@plindo/core/contract';
import {
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
} from 'class-validator';

const LONGEST_WORD = 300;
const LONGEST_NAME = 120;
const LONGEST_EMAIL = 254;
const LONGEST_CODE = 20;
const MOST_DAYS = 3660;

/** A code of the second step where it is asked for. */
export class SignInDto {
  @IsString() @MaxLength(LONGEST_WORD) email!: string;
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
  @IsOptional() @IsString() @MaxLength(LONGEST_CODE) code?: string;
}

export class SetupDto {
  @IsString() @MaxLength(LONGEST_WORD) email!: string;
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
  @IsString() @MaxLength(LONGEST_WORD) secret!: string;
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
}

export class InviteDto {
  @IsString() @MaxLength(LONGEST_EMAIL) email!: string;
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsIn(ROLES) role!: Role;
}

/** Of somebody what changes. */
export class PersonDto {
  @IsOptional() @IsIn(ROLES) role?: Role;
  @IsOptional() @IsBoolean() isOff?: boolean;
}

export class SecretDto {
  @IsString() @MaxLength(LONGEST_WORD) secret!: string;
}

export class AcceptDto extends SecretDto {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
}

export class ForgottenDto {
  @IsString() @MaxLength(LONGEST_EMAIL) email!: string;
}

export class NewPasswordDto extends SecretDto {
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
}

/** The present password is asked for where the address changes; '' where it doesn't. */
export class OwnDetailsDto {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsString() @MaxLength(LONGEST_EMAIL) email!: string;
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
}

export class ProofDto {
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
}

export class OwnPasswordDto extends ProofDto {
  @IsString() @MaxLength(LONGEST_WORD) next!: string;
}

/** In which listing a Desk is; null for in none. */
export class PlaceDto {
  @IsString() @Matches(/^[\w-]{8,40}$/) desk!: string;
  @ValidateIf((sent: PlaceDto) => sent.listing !== null) @IsInt() @Min(1) listing!: number | null;
}

export class SecondStepDto extends SecretDto {
  @IsString() @MaxLength(LONGEST_WORD) password!: string;
  @IsString() @MaxLength(LONGEST_CODE) code!: string;
}

/** An access token: what it is for, whether it may only read, and after how many days it ends; null for no end. */
export class TokenDto {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsOptional() @IsBoolean() readOnly?: boolean;
  @IsOptional() @IsInt() @Min(1) @Max(MOST_DAYS) days?: number | null;
}
