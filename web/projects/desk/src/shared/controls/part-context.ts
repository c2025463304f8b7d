import type { Field } from '@plindo/core/structure';

/** What the control of a subfield is drawn with: its field, its value, its path, and whom to tell of a change. */
export interface PartContext {
  readonly $implicit: Field;
  readonly value: unknown;
  readonly path: string;
  readonly tell: (value: unknown) => void;
}
