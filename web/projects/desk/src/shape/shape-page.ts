import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { fieldType } from '@plindo/core/structure';
import type { Field } from '@plindo/core/structure';
import { SessionStore } from '@plindo/api';
import { Icon } from '@plindo/listing-view';
import { BeginWays } from './begin-ways';
import { KindsStore } from '../shared/kinds-store';
import { ExamplesNote } from './starters/examples-note';

/** What kinds there are and what they are made of; while there are none, the ways to begin. */
@Component({
  selector: 'pl-shape-page',
  imports: [BeginWays, ExamplesNote, Icon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shape-page.html',
  styleUrl: './shape-page.scss',
})
export class ShapePage {
  protected readonly isOwner = inject(SessionStore).isOwner;
  private readonly store = inject(KindsStore);

  protected readonly kinds = this.store.kinds;
  constructor() {
    void this.store.reload();
  }

  protected typeOf(field: Field): { readonly label: string; readonly icon: string } {
    return fieldType(field.type);
  }
}
