import { createHash } from 'node:crypto';

const GREATEST_OF_SUM = 9;

/**
 * Whether a number solves the puzzle of a token: SHA-256 of "token.number" begins with 16 bits of zero (after Hashcash, A. Back,
 * 2002). A solution takes 65,536 hashes on average: a fraction of a second on a telephone.
 */
export function isProof(token: string, solution: string): boolean {
  if (!/^\d{1,15}$/.test(solution)) return false;
  const [first = 255, second = 255] = createHash('sha256').update(`${token}.${solution}`).digest();
  return first === 0 && second === 0;
}

/** The two numbers that people without scripts are asked to add up, from 1 to 9, always the same for a token. */
export function summandsOf(token: string): readonly [number, number] {
  const [first = 0, second = 0] = createHash('sha256').update(`sum ${token}`).digest();
  return [1 + (first % GREATEST_OF_SUM), 1 + (second % GREATEST_OF_SUM)];
}

/** Whether an answer, in digits, is the sum of a token. */
export function isSum(token: string, answer: string): boolean {
  const [a, b] = summandsOf(token);
  return answer.trim() === String(a + b);
}
