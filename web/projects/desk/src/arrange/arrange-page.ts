import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { CatalogApi, PagesApi, SessionStore } from '@plindo/api';
import type { DesignedPage } from '@plindo/core/page';
import type { Facet, Kind, SortChoice } from '@plindo/core/structure';
import { sortChoicesFor } from '@plindo/core/structure';
import { DesignedPageView } from '@plindo/listing-view';
import { heldLink } from '../shared/held-link';
import { KindList } from '../shared/kind-list';
import { KindsStore } from '../shared/kinds-store';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';
import { CardsPanel } from './cards/cards-panel';
import { FacetEditor } from './facet-editor';
import { facetOver, facetSubjectsOf, subjectOf } from './facet-fields';
import { GroupingEditor } from './shared/grouping-editor';
import { StructuredEditor } from './structured-editor';
import { OrderEditor } from './shared/order-editor';
import { PAGER_WORDS } from './shared/pager-words';
import { Explain } from '../guide/explain';

/** A sort choice that is offered or could be. */
interface OfferedSort {
  readonly choice: SortChoice;
  readonly on: boolean;
}

/** The index page of a kind: whether it is published, its facets, sort choices, beside what visitors will see. */
@Component({
  selector: 'pl-arrange-page',
  imports: [
    Explain,
    CardsPanel,
    FacetEditor,
    GroupingEditor,
    DesignedPageView,
    KindList,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatInputModule,
    OrderEditor,
    StructuredEditor,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './arrange-page.html',
  styleUrl: './arrange-page.scss',
  host: { '(click)': 'holdLink($event)' },
})
export class ArrangePage {
  /** From the address. */
  readonly kindId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly pages = inject(PagesApi);
  protected readonly reading = inject(Reading);
  private readonly notices = inject(Notices);
  private readonly session = inject(SessionStore);
  private readonly store = inject(KindsStore);

  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly mayChange = this.session.isOwner;
  protected readonly preview = signal<DesignedPage | null>(null);
  protected readonly places = signal<readonly string[]>([]);
  protected readonly pagers = PAGER_WORDS;
  private readonly allKinds = computed(() => (this.store.kinds() ?? []).map(({ kind }) => kind));
  protected readonly facetSubjects = computed(() => {
    const kind = this.kind();
    return kind ? facetSubjectsOf(kind, this.allKinds()) : [];
  });
  protected readonly synonyms = computed(() =>
    (this.kind()?.synonyms ?? []).map((group) => group.join(', ')).join('\n'),
  );
  protected readonly sorts = computed((): readonly OfferedSort[] => {
    const kind = this.kind();
    if (!kind) return [];
    const offered = kind.sortChoices;
    const possible = kind.fields
      .flatMap((field) => sortChoicesFor(field, this.reading.context().formats.words))
      .filter(({ key }) => !offered.some((other) => other.key === key));
    return [...offered.map((choice) => ({ choice, on: true })), ...possible.map((choice) => ({ choice, on: false }))];
  });
  private search = '';

  constructor() {
    void this.store.reload();
    effect(() => {
      const id = this.kindId();
      untracked(() => this.look(id, ''));
    });
  }

  protected publish(published: boolean): void {
    const { many = '' } = this.kind() ?? {};
    this.save({ published }, published ? `${many} are published` : `${many} are no longer published`);
  }

  protected setIntro(intro: string): void {
    if (intro !== this.kind()?.intro) this.save({ intro }, 'Changed the sentence above the page');
  }

  protected subjectOf(facet: Facet): ReturnType<typeof subjectOf> {
    return subjectOf(facet, this.kind()!, this.allKinds());
  }

  protected othersOf(facet: Facet): readonly Facet[] {
    return this.kind()?.facets.filter(({ key }) => key !== facet.key) ?? [];
  }

  protected addFacet(at: string): void {
    const [kind, subject] = [this.kind(), this.facetSubjects()[Number(at)]];
    if (!kind || !subject || at === '') return;
    const facet = facetOver(subject, kind);
    this.save({ facets: [...kind.facets, facet] }, `Added the facet ${facet.label}`);
  }

  /** What waits for it is shown always from then on. */
  protected removeFacet(facet: Facet): void {
    const facets = this.othersOf(facet).map((other) =>
      other.dependsOn?.facet === facet.key ? { ...other, dependsOn: null } : other,
    );
    this.save({ facets }, `Removed the facet ${facet.label}`);
  }

  protected change(change: Partial<Kind>, sentence: string): void {
    this.save(change, sentence);
  }

  protected setPageSize(text: string): void {
    const pageSize = Math.trunc(Number(text));
    if (pageSize >= 1) this.save({ pageSize }, `Shows ${pageSize} listings a page`);
  }

  protected setSynonyms(text: string): void {
    const groups = text.split('\n').map((line) =>
      line
        .split(',')
        .map((word) => word.trim())
        .filter(Boolean),
    );
    this.save({ synonyms: groups.filter((group) => group.length > 1) }, 'Changed the words that mean the same');
  }

  protected findPlaces(text: string): void {
    this.pages.places(text).subscribe((found) => this.places.set(found));
  }

  protected changeFacet(changed: Facet): void {
    const facets = this.kind()?.facets.map((facet) => (facet.key === changed.key ? changed : facet)) ?? [];
    this.save({ facets }, `Changed the facet ${changed.label}`);
  }

  /** Puts a facet one place earlier on the page. */
  protected raiseFacet(facet: Facet): void {
    const facets = [...(this.kind()?.facets ?? [])];
    const at = facets.findIndex(({ key }) => key === facet.key);
    if (at < 1) return;
    facets.splice(at - 1, 0, ...facets.splice(at, 1));
    this.save({ facets }, `Moved the facet ${facet.label} up`);
  }

  protected toggleSort({ choice }: OfferedSort, on: boolean): void {
    const others = this.kind()?.sortChoices.filter(({ key }) => key !== choice.key) ?? [];
    const sortChoices = on ? [...others, choice] : others;
    this.save({ sortChoices }, `${on ? 'Added' : 'Took out'} the sort choice ${choice.label}`);
  }

  /** What the preview's own links and controls lead to, shown in the preview. */
  protected followPreview(url: string): void {
    this.look(this.kindId(), url.split('?')[1] ?? '');
  }

  /** Links inside the preview lead to states of the preview, not away from the Desk. */
  protected holdLink(event: MouseEvent): void {
    const href = heldLink(event, 'aside a', `/${this.kind()?.slug}`);
    if (href) this.followPreview(href);
  }

  private save(change: Partial<Kind>, sentence: string): void {
    const kind = this.kind();
    if (!kind) return;
    this.api.saveKind({ ...kind, ...change }).subscribe({
      next: ({ changeId }) => {
        this.refresh();
        this.notices.changed(sentence, changeId, () => this.refresh());
      },
      error: (error: unknown) => {
        this.notices.refused(error);
        this.refresh();
      },
    });
  }

  private refresh(): void {
    void this.store.reload();
    this.look(this.kindId(), this.search);
  }

  private look(kindId: string, search: string): void {
    this.search = search;
    this.pages.preview(Number(kindId), search).subscribe({
      next: (page) => this.preview.set(page),
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
