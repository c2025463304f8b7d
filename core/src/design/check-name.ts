import type { Issue } from '../values/index.js';
import { issue } from '../values/index.js';
import { LONGEST_DESIGN_NAME } from './cards/card.js';

/** What is wrong with the name of a design of any sort: `design.name`. */
export function nameIssues({ name }: { readonly name: string }): Issue[] {
  const fits = name.trim() !== '' && name.length <= LONGEST_DESIGN_NAME;
  return fits ? [] : [issue('design.name', { greatest: LONGEST_DESIGN_NAME }, { field: 'name' })];
}
