/** The mark before the decimals of a number; the other one stands between thousands then. */
export type DecimalMark = '.' | ',';

/** Blanks and apostrophes stand between thousands beside either mark: 1 234,5 in French, 1’234.5 in Swiss writing. */
const BETWEEN_THOUSANDS = "[ \\u00a0\\u2009\\u202f'’]";

function written(decimal: DecimalMark): RegExp {
  const group = decimal === '.' ? ',' : '.';
  const whole = `\\d+|\\d{1,3}([${group}]|${BETWEEN_THOUSANDS})\\d{3}(?:\\1\\d{3})*`;
  return new RegExp(`^(?:(?:${whole})(?:[${decimal}]\\d*)?|[${decimal}]\\d+)$`);
}

const WRITTEN: Readonly<Record<DecimalMark, RegExp>> = { '.': written('.'), ',': written(',') };
/** As spreadsheets shorten long numbers: 1.2E+05. */
const SHORTENED = /^\d[.,]\d+E[+-]\d{1,3}$/;
/** A plus before so many digits begins a telephone number. */
const MOST_DIGITS_AFTER_PLUS = 6;
/** What a number of a program can tell apart for certain (IEEE 754 double precision). */
const MOST_DIGITS = 15;

/**
 * The plain form ("-1234.5") of a number that is written with the given decimal mark and in no other way: thousands in
 * threes, minus or parentheses for less than nothing. Null for anything else, and for more digits than are kept exactly.
 */
export function plainNumber(text: string, decimal: DecimalMark): string | null {
  const bare = text.trim();
  const inParentheses = bare.startsWith('(') && bare.endsWith(')');
  const signed = inParentheses ? bare.slice(1, -1).trim() : bare;
  const sign = /^[+\-−–]/.exec(signed)?.[0] ?? '';
  if (inParentheses && sign !== '') return null;
  const body = signed.slice(sign.length).trim();
  const isShortened = SHORTENED.test(body);
  if (!isShortened && !WRITTEN[decimal].test(body)) return null;
  const point = isShortened ? body.replace(',', '.') : withPoint(body, decimal);
  const digits = point.replace(/E.*$/, '').replace(/\D/g, '').length;
  if (digits > MOST_DIGITS || (sign === '+' && digits > MOST_DIGITS_AFTER_PLUS)) return null;
  return `${inParentheses || (sign !== '' && sign !== '+') ? '-' : ''}${point}`;
}

function withPoint(body: string, decimal: DecimalMark): string {
  const at = body.indexOf(decimal);
  const whole = (at < 0 ? body : body.slice(0, at)).replace(/\D/g, '');
  return at < 0 ? whole : `${whole || '0'}.${body.slice(at + 1)}`;
}

/** What one text says of how its file writes numbers. */
export type NumberEvidence =
  | { readonly kind: 'none' | 'plain' }
  /** It can be a number with this decimal mark only. */
  | { readonly kind: 'decided'; readonly decimal: DecimalMark; readonly group: string }
  /** It is a number with either mark, such as 1.234; this one stands in it. */
  | { readonly kind: 'either'; readonly mark: DecimalMark };

const NUMBER_LIKE =
  /^\(?[+\-−–]?\s*(?:[€$£¥₹]|[A-Z]{3}\s)?\s*[+\-−–]?((?:\d|[.,]\d)[\d.,'’\s]*?)\s*(?:[%‰€$£¥₹°]|\p{L}[\p{L}\d/²³]{0,5})?\)?$/u;
/** What a text, which may hold a currency, a unit or a percent sign, says of the marks of numbers. */
export function numberEvidence(text: string): NumberEvidence {
  const core = NUMBER_LIKE.exec(text)?.[1];
  if (core === undefined) return { kind: 'none' };
  const [isPoint, isComma] = [WRITTEN['.'].test(core), WRITTEN[','].test(core)];
  if (!isPoint && !isComma) return { kind: 'none' };
  const mark = /[.,]/.exec(core)?.[0] as DecimalMark | undefined;
  if (mark === undefined) return { kind: 'plain' };
  // Thousands never begin with a zero.
  if (isPoint && isComma && !core.startsWith('0')) return { kind: 'either', mark };
  const decimal = isPoint && isComma ? mark : isPoint ? '.' : ',';
  const group = [...core].find((letter) => /[^\d]/.test(letter) && letter !== decimal) ?? '';
  return { kind: 'decided', decimal, group };
}
