import type { ValidationOptions } from 'class-validator';
import {
  IsBoolean,
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  MaxLength,
  ValidateBy,
  validateSync,
} from 'class-validator';
import { LONGEST_TITLE, STATUSES } from '../../structure/index.js';
import type { ErrorCode, Issue, IssueParams } from '../../values/index.js';
import { isSlug, issue } from '../../values/index.js';

export const LONGEST_SUMMARY = 2000;
export const LONGEST_AUTHOR = 120;

/** What a rule that is broken says: a code of the catalogue of errors, and what its sentence names. */
interface Refused {
  readonly code: ErrorCode;
  readonly params: IssueParams;
}

function says(code: ErrorCode, params: IssueParams = {}): ValidationOptions {
  return { context: { code, params } satisfies Refused };
}

function IsSlug(options: ValidationOptions): PropertyDecorator {
  // A rule without a message of its own is left without its context.
  const defaultMessage = (): string => 'a slug';
  return ValidateBy(
    { name: 'isSlug', validator: { validate: (value) => isSlug(String(value)), defaultMessage } },
    options,
  );
}

const aText = (label: string): ValidationOptions => says('value.type', { label, wanted: 'a text' });
const tooLong = (label: string, greatest: number): ValidationOptions => says('value.too-long', { label, greatest });

/** The parts that every listing has, texts normalised already, with the rules that hold wherever they come from. */
export class FixedParts {
  @IsNotEmpty(says('listing.title'))
  @IsString(aText('Title'))
  @MaxLength(LONGEST_TITLE, tooLong('Title', LONGEST_TITLE))
  readonly title: unknown;

  @IsOptional()
  @IsString(aText('Summary'))
  @MaxLength(LONGEST_SUMMARY, tooLong('Summary', LONGEST_SUMMARY))
  readonly summary: unknown;

  @IsOptional()
  @IsString(aText('Author'))
  @MaxLength(LONGEST_AUTHOR, tooLong('Author', LONGEST_AUTHOR))
  readonly author: unknown;

  @IsOptional()
  @IsSlug(says('kind.slug'))
  readonly slug: unknown;

  @IsIn(STATUSES, says('value.type', { label: 'Status', wanted: `one of ${STATUSES.join(', ')}` }))
  readonly status: unknown;

  @IsBoolean(says('value.type', { label: 'Featured', wanted: 'yes or no' }))
  readonly featured: unknown;

  constructor(given: Readonly<Record<'title' | 'summary' | 'author' | 'slug' | 'status' | 'featured', unknown>>) {
    this.title = given.title;
    this.summary = given.summary;
    this.author = given.author;
    this.slug = given.slug;
    this.status = given.status;
    this.featured = given.featured;
  }
}

/** What is wrong with the fixed parts, each at its place; of a part that breaks several rules, the plainest. */
export function fixedPartIssues(parts: FixedParts): Issue[] {
  return validateSync(parts).map(({ property, value, contexts = {} }) => {
    const names = Object.keys(contexts);
    // A value that is no text also counts as too long; saying that it is no text is enough.
    const first = ['isNotEmpty', 'isString', ...names].find((name) => names.includes(name));
    const refused = first === undefined ? undefined : (contexts[first] as Refused);
    if (!refused) throw new Error(`A rule of ${property} doesn’t say what is to be told when it is broken.`);
    const found: IssueParams = { slug: String(value), ...(typeof value === 'string' && { found: value.length }) };
    return issue(refused.code, { ...found, ...refused.params }, { field: property });
  });
}
