import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { DesignsApi } from '@plindo/api';
import type { KeptForm } from '@plindo/core/design';
import { formsOf, pagesWithForm, questionsOf } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import { Explain } from '../../guide/explain';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

/** The forms with which visitors send in listings: for which kind, and on which pages they stand. */
@Component({
  selector: 'pl-forms-page',
  imports: [Explain, Icon, KindList, MatButtonModule, MatMenuModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-stage">
      <pl-kind-list stage="arrange" />
      <div class="desk-page">
        <h1>Forms <pl-explain page="let-visitors-send-in" about="forms of visitors" /></h1>
        <p class="quiet">
          With a form visitors send in a listing, or correct one that is theirs. What comes in waits under
          <a routerLink="/run/review">Run, Review</a>.
        </p>
        <section class="panel">
          <ul>
            @for (one of forms(); track one.kept.id) {
              <li>
                <span>
                  <a class="name" [routerLink]="['/arrange/forms', one.kept.id]">{{ one.kept.definition.name }}</a>
                  <span class="quiet">
                    for {{ one.kind }}, {{ one.questions }} {{ one.questions === 1 ? 'question' : 'questions' }};
                    @if (one.pages.length) {
                      on
                      @for (page of one.pages; track page.id) {
                        <a [routerLink]="['/arrange/pages', page.id]">{{ page.definition.name }}</a>{{
                          $last ? '' : ', '
                        }}
                      }
                    } @else {
                      on no page yet: put the piece “Form” on one
                    }
                  </span>
                </span>
                <button
                  matIconButton
                  [attr.aria-label]="'Delete ' + one.kept.definition.name"
                  (click)="remove(one.kept)"
                >
                  <pl-icon name="delete" />
                </button>
              </li>
            } @empty {
              @if (isRead()) {
                <li class="quiet">
                  There is no form yet.
                  @if (allKinds().length) {
                    The first one is made of the fields of a kind.
                  } @else {
                    A form asks for the fields of a kind, so <a routerLink="/shape">make a kind first</a>.
                  }
                </li>
              }
            }
          </ul>
          <button matButton="outlined" [matMenuTriggerFor]="kinds" [disabled]="!allKinds().length">Add a form</button>
          <mat-menu #kinds="matMenu">
            @for (entry of allKinds(); track entry.kind.id) {
              <a mat-menu-item routerLink="/arrange/forms/new" [queryParams]="{ kindId: entry.kind.id }">
                for {{ entry.kind.many }}
              </a>
            }
          </mat-menu>
        </section>
      </div>
    </div>
  `,
  styles: `
    ul {
      display: grid;
      gap: 0.5rem;
      margin: 0 0 1rem;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 1rem;
    }
    li > span {
      display: grid;
    }
    .name {
      font-weight: 640;
    }
  `,
})
export class FormsPage {
  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly store = inject(KindsStore);
  private readonly notices = inject(Notices);

  protected readonly isRead = computed(() => this.designs.designs() !== null);
  protected readonly allKinds = computed(() => (this.store.kinds() ?? []).filter(({ kind }) => !kind.putAside));
  protected readonly forms = computed(() => {
    const designs = this.designs.designs() ?? [];
    return formsOf(designs).map((kept) => ({
      kept,
      kind: this.store.byId(kept.kindId ?? 0)?.many ?? '',
      questions: questionsOf(kept.definition).length,
      pages: pagesWithForm(kept.id, designs),
    }));
  });

  constructor() {
    void this.designs.reload();
    if (this.store.kinds() === null) void this.store.reload();
  }

  protected remove({ id, definition: { name } }: KeptForm): void {
    this.notices.tellAndShow(this.api.remove(id), `Deleted the form ${name}`, () => void this.designs.reload());
  }
}
