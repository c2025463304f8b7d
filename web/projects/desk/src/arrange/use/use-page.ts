import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Design, UsedThing } from '@plindo/core/design';
import { usesOfDesigns } from '@plindo/core/design';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { SelectionsStore } from '../../shared/selections-store';
import { designerOf } from '../drafts/seen-at';

const SECTION_WORDS: Readonly<Record<UsedThing['what'], string>> = {
  ...{ card: 'Cards', page: 'Pages', part: 'Parts of pages', look: 'Looks', form: 'Forms', facet: 'Facets' },
};

/** Where visitors meet each design and facet. Those that they meet nowhere come first. */
@Component({
  selector: 'pl-use-page',
  imports: [KindList, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-stage">
      <pl-kind-list stage="arrange" />
      <div class="desk-page">
        <h1>Use of designs</h1>
        <p class="quiet">Where visitors see each design. Delete what they see nowhere, or keep it for later.</p>
        @if (sections(); as sections) {
          <section class="panel">
            <h2>Met nowhere</h2>
            <ul>
              @for (one of unused(); track $index) {
                <li>
                  <a [routerLink]="one.link">{{ one.thing.name }}</a>
                  <span class="quiet">{{ words[one.thing.what].toLowerCase() }}{{ one.of }}</span>
                </li>
              } @empty {
                <li>Visitors see every design somewhere.</li>
              }
            </ul>
          </section>
          @for (section of sections; track section.label) {
            <section class="panel">
              <h2>{{ section.label }}</h2>
              <table>
                <thead>
                  <tr>
                    <th scope="col">Name</th>
                    <th scope="col">Met at</th>
                    <th scope="col">Where</th>
                  </tr>
                </thead>
                <tbody>
                  @for (one of section.rows; track $index) {
                    <tr>
                      <td>
                        <a [routerLink]="one.link">{{ one.thing.name }}</a>
                        <span class="quiet">{{ one.of }}</span>
                      </td>
                      <td>{{ one.thing.uses.length }} {{ one.thing.uses.length === 1 ? 'place' : 'places' }}</td>
                      <td>{{ one.thing.uses.join(', ') || 'nowhere' }}</td>
                    </tr>
                  }
                </tbody>
              </table>
            </section>
          }
        }
      </div>
    </div>
  `,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 1rem;
      align-items: center;
      min-block-size: 2.5rem;
      border-block-end: 1px solid var(--pl-line);
    }
    table {
      inline-size: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 0.5rem 0.75rem 0.5rem 0;
      border-block-end: 1px solid var(--pl-line);
      text-align: start;
      vertical-align: top;
    }
    td:nth-child(2) {
      white-space: nowrap;
    }
    td:last-child {
      overflow-wrap: anywhere;
    }
  `,
})
export class UsePage {
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly selections = inject(SelectionsStore);

  protected readonly words = SECTION_WORDS;

  private readonly all = computed(() => {
    const [designs, kinds, selections] = [this.designs.designs(), this.kinds.kinds(), this.selections.selections()];
    if (!designs || !kinds || !selections) return null;
    const around = { designs, kinds: kinds.map(({ kind }) => kind), kindById: this.kinds.byId };
    const things = usesOfDesigns({ ...around, selections: selections.map(({ selection }) => selection) });
    return things.map((thing) => ({ thing, link: linkOf(thing, designs), of: this.ofKind(thing) }));
  });
  protected readonly unused = computed(() => (this.all() ?? []).filter(({ thing }) => thing.uses.length === 0));
  protected readonly sections = computed(() => {
    const all = this.all();
    if (!all) return null;
    const parts = Object.keys(SECTION_WORDS) as UsedThing['what'][];
    return parts
      .map((what) => ({ label: SECTION_WORDS[what], rows: all.filter(({ thing }) => thing.what === what) }))
      .filter(({ rows }) => rows.length > 0);
  });

  constructor() {
    void this.kinds.reload();
    void this.designs.reload();
    void this.selections.reload();
  }

  private ofKind({ kindId }: UsedThing): string {
    const kind = kindId === null ? undefined : this.kinds.byId(kindId);
    return kind ? ` of ${kind.many}` : '';
  }
}

function linkOf({ designId, kindId }: UsedThing, designs: readonly Design[]): readonly (string | number)[] {
  const design = designs.find(({ id }) => id === designId);
  return design ? designerOf(design) : ['/arrange', kindId ?? 0];
}
