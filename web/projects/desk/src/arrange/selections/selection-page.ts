import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { PausedQuestion, SelectionsApi, SessionStore, issuesOf } from '@plindo/api';
import type { SelectionPreview } from '@plindo/core/contract';
import type { Kind, Selection, SelectionDefinition } from '@plindo/core/structure';
import { SELECTIONS_SLUG, facetsOver, makeSelection } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Card } from '@plindo/listing-view';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { SelectionsStore } from '../../shared/selections-store';
import { OrderEditor } from '../shared/order-editor';
import { ConditionEditor } from './condition-editor';
import { OwnPageEditor } from './own-page-editor';
import { PickedList } from './picked-list';
import { selectionSentence } from './selection-sentence';
import { WhyPanel } from './why-panel';
import { Explain } from '../../guide/explain';

/** A selection as a sentence of choices, beside what it gives and why. */
@Component({
  selector: 'pl-selection-page',
  imports: [
    Explain,
    Card,
    ConditionEditor,
    KindList,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    OrderEditor,
    OwnPageEditor,
    PickedList,
    WhyPanel,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './selection-page.html',
  styleUrl: './selection-page.scss',
})
export class SelectionPage {
  /** From the address; "new" for one that is being added. */
  readonly selectionId = input.required<string>();

  private readonly api = inject(SelectionsApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly session = inject(SessionStore);
  private readonly kindsStore = inject(KindsStore);
  private readonly store = inject(SelectionsStore);
  private readonly reading = inject(Reading);

  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  protected readonly mayChange = this.session.isOwner;
  protected readonly allKinds = computed(() => (this.kindsStore.kinds() ?? []).map(({ kind }) => kind));
  protected readonly saved = signal<Selection | null>(null);
  protected readonly draft = signal<SelectionDefinition | null>(null);
  protected readonly preview = signal<SelectionPreview | null>(null);
  protected readonly refused = signal<readonly Issue[]>([]);
  protected readonly kinds = computed((): Kind[] => {
    const chosen = this.draft()?.kinds ?? [];
    return this.allKinds().filter(({ id }) => chosen.includes(id));
  });
  protected readonly issues = computed(() =>
    this.refused().length > 0 ? this.refused() : (this.preview()?.issues ?? []),
  );
  /** Reasons by the place of the condition that they are about. */
  protected readonly faults = computed(() => {
    const about = this.issues().flatMap(({ code, message }) => {
      const match = code === 'selection.condition' ? /^Condition ([\d.]+): (.*)$/s.exec(message) : null;
      return match ? [[match[1]!, match[2]!] as const] : [];
    });
    return new Map(about);
  });
  /** All of it as one would read it aloud. */
  protected readonly sentence = computed(() => {
    const draft = this.draft();
    return draft ? selectionSentence(draft, { allKinds: this.allKinds(), context: this.reading.context() }) : '';
  });
  /** Whether one of its kinds keeps the pages of listings that have left. */
  protected readonly hasPast = computed(() => this.kindsShown().some(({ expiry }) => expiry?.saysOver));
  /** The kinds of what it gives: those that it chooses from, or those of which something was picked. */
  protected readonly kindsShown = computed((): Kind[] => {
    if (this.draft()?.picked === null) return this.kinds();
    const picked = this.preview()?.kinds ?? [];
    return this.allKinds().filter(({ id }) => picked.includes(id));
  });
  protected readonly path = computed(() => {
    const saved = this.saved();
    return saved?.published ? `/${SELECTIONS_SLUG}/${saved.slug}` : '';
  });

  constructor() {
    void this.kindsStore.reload();
    effect(() => {
      const id = this.selectionId();
      untracked(() => void this.load(id));
    });
    const question = new PausedQuestion((draft: SelectionDefinition) => this.api.preview(draft), {
      next: (preview) => this.preview.set(preview),
      // What cannot be asked at all says so when it is saved.
      error: () => this.preview.set(null),
    });
    effect(() => {
      const draft = this.draft();
      if (draft) question.ask(draft);
    });
  }

  protected set(change: Partial<SelectionDefinition>): void {
    this.refused.set([]);
    this.draft.update((draft) => draft && { ...draft, ...change });
  }

  protected toggleKind(id: number, isOn: boolean): void {
    const others = this.draft()?.kinds.filter((other) => other !== id) ?? [];
    const kinds = isOn ? [...others, id] : others;
    const offered = facetsOver(this.allKinds().filter((kind) => kinds.includes(kind.id))).map(({ key }) => key);
    this.set({ kinds, facets: this.draft()?.facets.filter((key) => offered.includes(key)) ?? [] });
  }

  protected pickByHand(isPicked: boolean): void {
    this.set({ picked: isPicked ? [] : null });
  }

  protected number(text: string): number {
    return Math.max(0, Math.trunc(Number(text)) || 0);
  }

  protected save(): void {
    const [draft, saved] = [this.draft(), this.saved()];
    if (!draft) return;
    const sent = saved ? this.api.save({ ...draft, id: saved.id, version: saved.version }) : this.api.add(draft);
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.keep(result);
        void this.store.reload();
        this.notices.changed(`Saved the selection ${result.name}`, changeId, () => void this.load(String(result.id)));
        if (!saved) void this.router.navigate(['/arrange/selections', result.id], { replaceUrl: true });
      },
      error: (error: unknown) => {
        this.refused.set(issuesOf(error));
        setTimeout(() => this.summary()?.nativeElement.focus());
      },
    });
  }

  protected remove(): void {
    const saved = this.saved();
    if (!saved) return;
    this.api.remove(saved.id).subscribe({
      next: ({ changeId }) => {
        void this.store.reload();
        this.notices.changed(`Deleted the selection ${saved.name}`, changeId, () => void this.store.reload());
        void this.router.navigate(['/arrange/selections']);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private async load(id: string): Promise<void> {
    if (id === 'new') {
      const kinds =
        this.allKinds().length > 0 ? this.allKinds() : (await this.kindsStore.reload()).map(({ kind }) => kind);
      this.saved.set(null);
      this.draft.set(makeSelection({ slug: '', name: '', kinds: kinds.slice(0, 1).map((kind) => kind.id) }));
      return;
    }
    const found = (await this.store.reload()).find(({ selection }) => selection.id === Number(id));
    if (found) this.keep(found.selection);
    else void this.router.navigate(['/arrange/selections']);
  }

  private keep(selection: Selection): void {
    const { id: _, version: __, ...definition } = selection;
    this.saved.set(selection);
    this.draft.set(definition);
  }
}
