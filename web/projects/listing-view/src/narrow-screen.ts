/** Where columns stand one below the other, as the sheet has it (`styles/_page.scss`). */
export function narrowScreen(): MediaQueryList {
  return matchMedia('(max-width: 46rem)');
}
