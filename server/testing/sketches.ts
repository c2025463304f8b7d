import type { FieldSketch } from '@plindo/core/structure';

/** A field whose label is its key. */
export const field = (key: string, type: FieldSketch['type'], given: Partial<FieldSketch> = {}): FieldSketch => ({
  key,
  label: key,
  type,
  ...given,
});
