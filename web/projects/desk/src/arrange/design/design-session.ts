import { DestroyRef, Injectable, computed, inject, signal } from '@angular/core';
import { DesignsApi, DraftsApi } from '@plindo/api';
import type { Changed } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import type { UnplacedDesign } from '@plindo/core/plans';
import { isSame } from '@plindo/core/values';
import type { Observable } from 'rxjs';
import { map, of, switchMap } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { Notices } from '../../shared/notices';
import type { DesignHistory } from './design-history';
import { KeptWork } from './kept-work';

/** What a designer begins with. */
export interface Begun {
  /** The design as visitors see it; undefined for a new one. */
  readonly kept: Design | undefined;
  /** Its draft; undefined where there is none. */
  readonly draft: Design | undefined;
  /** Under which name work that is not saved is kept in this browser. */
  readonly name: string;
}

/** Versions of a design and of its draft in one number: work on others is not brought back. */
const VERSIONS = 100_000;

/** One design in its designer: what visitors see of it, its draft, and work in this browser that was not saved. */
@Injectable()
export class DesignSession {
  private readonly api = inject(DesignsApi);
  private readonly drafts = inject(DraftsApi);
  private readonly designs = inject(DesignsStore);
  private readonly notices = inject(Notices);
  private readonly begun = signal<Begun | null>(null);

  private isOver = false;

  readonly isSaving = signal(false);
  /** Whether work from before was brought back. */
  readonly isBroughtBack = signal(false);
  readonly kept = computed(() => this.begun()?.kept);
  readonly draft = computed(() => this.begun()?.draft);

  constructor() {
    inject(DestroyRef).onDestroy(() => (this.isOver = true));
  }

  /** Begins a designer; gives the work that was not saved, and what is kept without it: the draft, the design, else `plain`. */
  begin<Definition>(begun: Begun, plain: Definition): { readonly work: Definition; readonly kept: Definition } {
    this.begun.set(begun);
    const kept = ((begun.draft ?? begun.kept)?.definition ?? plain) as Definition;
    const work = this.memory<Definition>().read(this.version());
    this.isBroughtBack.set(work !== null);
    return { work: work ?? kept, kept };
  }

  /** Keeps unsaved work in this browser. To be called in an effect. */
  remember<Definition>(history: DesignHistory<Definition>): void {
    const [isChanged, design] = [history.isChanged(), history.design()];
    if (!this.begun()) return;
    if (isChanged) this.memory<Definition>().write(this.version(), design);
    else this.memory().forget();
  }

  /** Forgets work that was not saved. */
  forget(): void {
    this.memory().forget();
    this.isBroughtBack.set(false);
  }

  /** Makes visitors see a design; its draft goes with that. `after` is told of it once it can be read. */
  publish(made: UnplacedDesign, after: (saved: Design) => void): void {
    const { definition, type } = made;
    this.send(this.published(made), `Saved the ${type} ${definition.name}`, (saved) => {
      this.begun.update((begun) => begun && { ...begun, kept: saved, draft: undefined });
      after(saved);
    });
  }

  /** Keeps a design on the server without showing it to visitors. */
  keepAsDraft(made: UnplacedDesign, after: (saved: Design) => void): void {
    const { kept, draft } = this.begun()!;
    const { definition, type } = made;
    const sent = draft ? this.drafts.save({ ...draft, definition } as Design) : this.drafts.add(made, kept?.id ?? null);
    this.send(sent, `Kept the draft of the ${type} ${definition.name}`, (saved) => {
      this.begun.update((begun) => begun && { ...begun, draft: saved });
      after(saved);
    });
  }

  /** Throws the draft away: what visitors see is all that is left. */
  throwDraftAway(after: () => void): void {
    const { draft } = this.begun()!;
    if (!draft) return;
    const sent = this.drafts.remove(draft.id).pipe(map(({ changeId }) => ({ changeId, result: draft })));
    this.send(sent, `Threw away the draft of ${draft.definition.name}`, () => {
      this.begun.update((begun) => begun && { ...begun, draft: undefined });
      after();
    });
  }

  private published(made: UnplacedDesign): Observable<Changed<Design>> {
    const { kept, draft } = this.begun()!;
    const { definition } = made;
    if (!draft) return kept ? this.api.save({ ...kept, definition } as Design) : this.api.add(made);
    const saved = isSame(draft.definition, definition)
      ? of(draft)
      : this.drafts.save({ ...draft, definition } as Design).pipe(map(({ result }) => result));
    return saved.pipe(
      switchMap(({ id }) => this.drafts.publish([id])),
      map(({ changeId, result: [result] }) => ({ changeId, result: result! })),
    );
  }

  private send(sent: Observable<Changed<Design>>, sentence: string, after: (saved: Design) => void): void {
    if (this.isSaving()) return;
    this.isSaving.set(true);
    sent.subscribe({
      next: ({ changeId, result }) => {
        this.isSaving.set(false);
        this.forget();
        this.notices.changed(sentence, changeId, () => void this.designs.reloadAll());
        void this.designs.reloadAll().then(() => {
          // Whoever has left the designer meanwhile is not called back to it.
          if (!this.isOver) after(result);
        });
      },
      error: (error: unknown) => {
        this.isSaving.set(false);
        this.notices.refused(error);
      },
    });
  }

  private memory<Definition>(): KeptWork<Definition> {
    return new KeptWork(this.begun()!.name);
  }

  private version(): number {
    const { kept, draft } = this.begun()!;
    return (kept?.version ?? 0) * VERSIONS + (draft?.version ?? 0);
  }
}

/** How a design is kept. */
export type SendDesign = 'publish' | 'keepAsDraft';
