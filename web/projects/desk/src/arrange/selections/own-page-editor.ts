import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Kind, SelectionDefinition } from '@plindo/core/structure';
import { facetsOver } from '@plindo/core/structure';
import { GroupingEditor } from '../shared/grouping-editor';
import { PAGER_WORDS } from '../shared/pager-words';

/** The page that a selection has of its own on the site: headings, pager, and the facets that stand beside it. */
@Component({
  selector: 'pl-own-page-editor',
  imports: [GroupingEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = selection();
    <h2>A page of its own</h2>
    <label class="tick">
      <input
        type="checkbox"
        [checked]="own.published"
        (change)="changed.emit({ published: $any($event.target).checked })"
      />
      Visitors find it on the site
    </label>
    @if (path(); as address) {
      <p class="quiet">
        At <a [href]="address" target="_blank" rel="noopener">{{ address }}</a>
      </p>
    }
    <pl-grouping-editor
      [grouping]="own.grouping"
      [kinds]="kinds()"
      (groupingChange)="changed.emit({ grouping: $event })"
    />
    <label>
      Further ones come as
      <select class="plain-select" (change)="changed.emit({ pager: $any($event.target).value })">
        @for (pager of pagers; track pager[0]) {
          <option [value]="pager[0]" [selected]="pager[0] === own.pager">{{ pager[1] }}</option>
        }
      </select>
    </label>
    <fieldset>
      <legend>Facets on its page</legend>
      @for (facet of facets(); track facet.key) {
        <label class="tick">
          <input
            type="checkbox"
            [checked]="own.facets.includes(facet.key)"
            (change)="toggle(facet.key, $any($event.target).checked)"
          />{{ facet.label }}
        </label>
      } @empty {
        <p class="quiet">Its kinds have no facets yet.</p>
      }
    </fieldset>
    @if (kinds().length > 1) {
      <p class="quiet">
        When a visitor uses a facet that only some of the kinds have, listings of the other kinds disappear.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 1rem;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      float: inline-start;
      padding: 0;
      margin-inline-end: 0.5rem;
    }
    .tick {
      display: inline-flex;
      gap: 0.375rem;
      align-items: center;
    }
  `,
})
export class OwnPageEditor {
  readonly selection = input.required<SelectionDefinition>();
  /** The kinds of its listings. */
  readonly kinds = input.required<readonly Kind[]>();
  /** Where it is on the site; '' as long as it isn't. */
  readonly path = input.required<string>();
  readonly changed = output<Partial<SelectionDefinition>>();

  protected readonly pagers = PAGER_WORDS;
  protected readonly facets = computed(() => facetsOver(this.kinds()));

  protected toggle(key: string, isOn: boolean): void {
    const others = this.selection().facets.filter((other) => other !== key);
    this.changed.emit({ facets: isOn ? [...others, key] : others });
  }
}
