import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { KindsStore } from './kinds-store';

/** Where a stage begins: goes to the first kind, or says how to get one. */
@Component({
  selector: 'pl-pick-kind',
  imports: [MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.kinds()?.length === 0) {
      <div class="desk-page">
        <h1>There is no kind of listing yet</h1>
        <p class="quiet">
          Bring in a spreadsheet, a CSV file or records: Plindo makes the kind, its fields and its listings from it.
        </p>
        <p><a matButton="filled" class="next-step" routerLink="/shape/from-file">Start from a file</a></p>
      </div>
    }
  `,
})
export class PickKind {
  protected readonly store = inject(KindsStore);

  constructor() {
    const router = inject(Router);
    const stage = router.url.split('/')[1] ?? 'fill';
    void this.store.reload().then(([first]) => {
      if (first) void router.navigate(['/', stage, first.kind.id], { replaceUrl: true });
    });
  }
}
