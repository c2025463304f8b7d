import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { MatDialog } from '@angular/material/dialog';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';
import type { Cast, FieldRole, Kind } from '@plindo/core/structure';
import { fieldsForRole } from '@plindo/core/structure';

/** A starter, the kind that it is for, and which field plays which part by itself. */
export interface CastFor {
  readonly label: string;
  readonly roles: readonly FieldRole[];
  readonly kind: Kind;
  readonly cast: Cast;
}

/** Asks what goes where before a starter is taken: each part with the fields that can play it, or left out. */
@Component({
  selector: 'pl-starter-cast',
  imports: [MatButtonModule, MatDialogModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Begin with “{{ data.label }}”</h2>
    <mat-dialog-content>
      <p class="quiet">What goes where. It takes the place of what is there now; one undo brings that back.</p>
      <table>
        <thead>
          <tr>
            <th scope="col">It shows</th>
            <th scope="col">Taken from</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.role.name) {
            <tr>
              <th scope="row">{{ row.role.label }}</th>
              <td>
                @if (row.fields.length) {
                  <select
                    class="plain-select"
                    [attr.aria-label]="row.role.label"
                    (change)="put(row.role.name, $any($event.target).value)"
                  >
                    <option value="" [selected]="!cast()[row.role.name]">nothing: leave it out</option>
                    @for (field of row.fields; track field.key) {
                      <option [value]="field.key" [selected]="cast()[row.role.name] === field.key">
                        {{ field.label }}
                      </option>
                    }
                  </select>
                } @else {
                  <span class="quiet">{{ data.kind.many }} have none, so it is left out.</span>
                }
                @if (row.isMissed) {
                  <p class="missed">
                    It is worth little without.
                    <a mat-dialog-close [routerLink]="['/shape', data.kind.id]">Make the field</a>
                  </p>
                }
              </td>
            </tr>
          } @empty {
            <tr>
              <td colspan="2">It needs nothing but a title.</td>
            </tr>
          }
        </tbody>
      </table>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Leave it</button>
      <button matButton="filled" [mat-dialog-close]="cast()">Begin with it</button>
    </mat-dialog-actions>
  `,
  styles: `
    table {
      inline-size: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.375rem 0.75rem 0.375rem 0;
      text-align: start;
      vertical-align: top;
    }
    tbody th {
      font-weight: 450;
    }
    .missed {
      margin: 0.25rem 0 0;
      color: var(--pl-warm);
    }
  `,
})
export class StarterCast {
  protected readonly data = inject<CastFor>(MAT_DIALOG_DATA);
  protected readonly cast = signal<Cast>(this.data.cast);
  protected readonly rows = computed(() =>
    this.data.roles.map((role) => ({
      role,
      fields: fieldsForRole(role, this.data.kind),
      isMissed: role.isNeeded === true && !this.cast()[role.name],
    })),
  );

  /** A field plays one part only; what it played before is left out. */
  protected put(role: string, key: string): void {
    const others = Object.entries(this.cast()).filter(([name, field]) => name !== role && field !== key);
    this.cast.set({ ...Object.fromEntries(others), ...(key !== '' && { [role]: key }) });
  }
}

/** Asks what goes where; `then` is told unless somebody leaves it. */
export function askCast(dialog: MatDialog, data: CastFor, then: (cast: Cast) => void): void {
  dialog
    .open<StarterCast, CastFor, Cast>(StarterCast, { data, width: '40rem', maxWidth: '95vw' })
    .afterClosed()
    .subscribe((cast) => {
      if (cast) then(cast);
    });
}
