import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CatalogApi, PausedQuestion } from '@plindo/api';
import type { LinkCandidate } from '@plindo/core/contract';
import type { Field, LinkInput, LinkedListing, Picture } from '@plindo/core/structure';
import { Icon, PictureView } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { EMPTY } from 'rxjs';
import { KindsStore } from '../kinds-store';
import { Notices } from '../notices';

/** The listings at the other end of a link: found by typing, put in order, with notes; a new one is made on the spot. */
@Component({
  selector: 'pl-link-control',
  imports: [DragDropModule, Icon, MatButtonModule, PictureView, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './link-control.html',
  styleUrl: './link-control.scss',
})
export class LinkControl {
  readonly label = input.required<string>();
  readonly field = input.required<Field>();
  readonly input = input<unknown>();
  readonly inputChange = output<readonly LinkInput[]>();

  private readonly api = inject(CatalogApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly question = new PausedQuestion(() => this.fitting(), {
    next: (candidates: readonly LinkCandidate[]) => this.candidates.set(candidates),
    error: (error) => this.notices.refused(error),
  });

  protected readonly text = signal('');
  protected readonly isOpen = signal(false);
  protected readonly candidates = signal<readonly LinkCandidate[]>([]);
  protected readonly linked = computed(() => this.field().settings.linked);
  protected readonly many = computed(() => this.linked()?.many ?? true);
  protected readonly otherKind = computed(
    () => this.kinds.kinds()?.find(({ kind }) => kind.id === this.linked()?.kindId)?.kind,
  );
  protected readonly list = computed((): readonly LinkedListing[] => {
    const input = this.input();
    return Array.isArray(input) ? (input as LinkedListing[]) : [];
  });
  protected readonly offered = computed(() =>
    this.candidates().filter(({ id }) => !this.list().some((linked) => linked.id === id)),
  );
  /** The kind that has this field: the other end of the other kind's link. */
  private readonly ownKindId = computed(() => {
    const { link, side } = this.field().settings;
    const has = (field: Field): boolean => field.settings.link === link && field.settings.side === side;
    return this.kinds.kinds()?.find(({ kind }) => kind.fields.some(has))?.kind.id;
  });

  /** Its title stands beside it and says what it is. */
  protected beside(picture: Picture): Picture {
    return { ...picture, alt: '' };
  }

  protected look(text: string): void {
    this.text.set(text);
    this.isOpen.set(true);
    this.question.ask(text);
  }

  private fitting(): Observable<readonly LinkCandidate[]> {
    const kindId = this.ownKindId();
    return kindId === undefined ? EMPTY : this.api.candidates(kindId, this.field().key, this.text().trim());
  }

  protected add({ id, title, heldBy }: LinkCandidate): void {
    const added: LinkedListing = { id, title, note: '', slug: '', href: null, onSite: false };
    this.inputChange.emit(this.many() ? [...this.list(), added] : [added]);
    if (heldBy) this.notices.said(`${title} will be moved here from ${heldBy.title} when you save.`);
    this.text.set('');
    this.isOpen.set(false);
  }

  protected make(): void {
    const kind = this.otherKind();
    const title = this.text().trim();
    if (!kind || title === '') return;
    this.api.addListing(kind.id, { title }).subscribe({
      next: ({ changeId, result }) => {
        this.add({ id: result.id, title: result.title, picture: null, facts: [], heldBy: null });
        this.notices.changed(`Added ${result.title} to ${kind.many}`, changeId, () => this.remove(result.id));
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected remove(id: number): void {
    this.inputChange.emit(this.list().filter((linked) => linked.id !== id));
  }

  protected setNote(id: number, note: string): void {
    this.inputChange.emit(this.list().map((linked) => (linked.id === id ? { ...linked, note } : linked)));
  }

  protected move(from: number, to: number): void {
    const list = [...this.list()];
    moveItemInArray(list, from, to);
    this.inputChange.emit(list);
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex !== currentIndex) this.move(previousIndex, currentIndex);
  }
}
