import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { KindSummary } from '@plindo/core/contract';
import { fieldType } from '@plindo/core/structure';
import type { Field } from '@plindo/core/structure';
import { SessionStore } from '@plindo/api';
import { Icon } from '@plindo/listing-view';
import { KindsStore } from '../shared/kinds-store';
import { ExamplesNote } from './starters/examples-note';

interface Step {
  readonly label: string;
  readonly done: boolean;
  readonly link: string;
  readonly todo: string;
}

/** What kinds there are, what they are made of, and the path from a file to a live directory. */
@Component({
  selector: 'pl-shape-page',
  imports: [ExamplesNote, Icon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shape-page.html',
  styleUrl: './shape-page.scss',
})
export class ShapePage {
  protected readonly isOwner = inject(SessionStore).isOwner;
  private readonly store = inject(KindsStore);

  protected readonly kinds = this.store.kinds;
  /** The first-run path; empty when every step is done. */
  protected readonly path = computed((): readonly Step[] => {
    const kinds = this.kinds();
    if (!kinds) return [];
    const [first] = kinds;
    const total = (kind: KindSummary): number => Object.values(kind.counts).reduce((sum, count) => sum + count, 0);
    const steps: Step[] = [
      { label: 'Shape', done: kinds.length > 0, link: '/shape/from-file', todo: 'Start from a file' },
      { label: 'Fill', done: kinds.some((kind) => total(kind) > 0), link: '/fill', todo: 'Add listings' },
      {
        label: 'Arrange',
        done: kinds.some(({ kind }) => kind.published),
        link: first ? `/arrange/${first.kind.id}` : '/arrange',
        todo: 'Publish the kind',
      },
    ];
    return steps.every((step) => step.done) ? [] : steps;
  });
  protected readonly nextStep = computed(() => this.path().find((step) => !step.done));

  constructor() {
    void this.store.reload();
  }

  protected typeOf(field: Field): { readonly label: string; readonly icon: string } {
    return fieldType(field.type);
  }
}
