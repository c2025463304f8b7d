import { DOCUMENT } from '@angular/common';
import { inject } from '@angular/core';

/** The secret of a link that works once. It stands behind "#", which browsers don't send to servers or log. */
export function secretInAddress(): string {
  return inject(DOCUMENT).location.hash.slice(1);
}
