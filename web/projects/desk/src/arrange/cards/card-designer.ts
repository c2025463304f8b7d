import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { DesignsApi } from '@plindo/api';
import type { DesignSamples, DesignVersion, FoundListing } from '@plindo/core/contract';
import type { CardDesign, Design, KeptCard } from '@plindo/core/design';
import { CARD_STARTERS, cardStartersFor, cardsOfKind, firstCard, usesOfMainCard } from '@plindo/core/design';
import type { FieldRole, Kind } from '@plindo/core/structure';
import { castOf, missingRoles } from '@plindo/core/structure';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { SelectionsStore } from '../../shared/selections-store';
import type { SendDesign } from '../design/design-session';
import { DesignSession } from '../design/design-session';
import { DesignerFrame } from '../design/designer-frame';
import { LiveView } from '../../shared/live-view';
import { VersionsMenu } from '../design/versions-menu';
import { CardOutline } from './card-outline';
import { CardWork } from './card-work';
import { FrameSettings } from './frame-settings';
import { LiveCards } from './live-cards';
import { SlotSettings } from '../design/slot-settings';
import type { CastFor } from '../design/starter-cast';
import { askCast } from '../design/starter-cast';
import { StarterFiles } from '../design/starter-files';
import type { StarterOffer } from '../design/starter-menu';
import { StarterMenu, lacksInWords } from '../design/starter-menu';

/** In the address: the card that a kind has by itself or its main one, and one that is being made. */
const MAIN = 'main';
const NEW = 'new';

/** The card designer: all of a card as a tree, the card itself with real listings, and what is said of what is chosen. */
@Component({
  selector: 'pl-card-designer',
  imports: [CardOutline, DesignerFrame, FrameSettings, LiveCards, LiveView, SlotSettings, StarterMenu, VersionsMenu],
  providers: [DesignSession],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './card-designer.html',
  styleUrls: ['../design/outline-button.scss', './card-designer.scss'],
})
export class CardDesigner {
  /** From the address; the card's number, "main" or "new". */
  readonly kindId = input.required<string>();
  readonly cardId = input.required<string>();

  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly dialog = inject(MatDialog);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly files = inject(StarterFiles);
  private readonly reading = inject(Reading);
  private readonly router = inject(Router);
  private readonly selections = inject(SelectionsStore);

  protected readonly kind = this.kinds.kindOf(this.kindId);
  protected readonly work = signal<CardWork | null>(null);
  protected readonly samples = signal<DesignSamples | null>(null);
  protected readonly session = inject(DesignSession);

  private readonly cards = computed(() => cardsOfKind(Number(this.kindId()), this.designs.designs() ?? []));
  /** The card as it is kept; undefined for one that is still to be added. */
  protected readonly kept = computed((): KeptCard | undefined => {
    const id = this.cardId();
    return id === MAIN ? this.cards()[0] : this.cards().find((design) => String(design.id) === id);
  });
  protected readonly isMain = computed(() => {
    const kept = this.kept();
    return kept ? kept.id === this.cards()[0]?.id : this.cardId() === MAIN;
  });
  /** Cards to begin with, those first that fit the kind. */
  protected readonly starters = computed((): StarterOffer[] => {
    const kind = this.kind();
    const lacks = (roles: readonly FieldRole[]): string =>
      kind ? lacksInWords(missingRoles(roles, castOf(roles, kind))) : '';
    return kind ? cardStartersFor(kind).map((starter) => ({ ...starter, lacks: lacks(starter.roles) })) : [];
  });
  protected readonly uses = computed(() => {
    const kind = this.kind();
    const chosen = (this.selections.selections() ?? []).map(({ selection }) => selection);
    return kind && this.isMain() ? usesOfMainCard(kind, this.designs.designs() ?? [], chosen, this.kinds.byId) : [];
  });

  constructor() {
    void this.kinds.reload();
    void this.designs.reloadAll();
    void this.selections.reload();
    effect(() => {
      const [kind, kinds, designs, id] = [this.kind(), this.kinds.kinds(), this.designs.drafts(), this.cardId()];
      if (kind && kinds && designs) untracked(() => this.open(kind, id));
    });
    effect(() => {
      const id = Number(this.kindId());
      untracked(() => this.look(id));
    });
    effect(() => {
      const work = this.work();
      if (work) this.session.remember(work.history);
    });
  }

  /** Begins with the card as it is kept, or with work on it that was not saved; work at hand is not thrown away. */
  private open(kind: Kind, id: string): void {
    const [kept, before] = [this.kept(), this.work()];
    const draft = this.draftAt(kept, id);
    if (!kept && !draft && id !== MAIN && id !== NEW) return;
    if (before?.history.isChanged() === true && before.kind.id === kind.id) return;
    const kinds = (this.kinds.kinds() ?? []).map((entry) => entry.kind);
    const name = `card-${kind.id}-${kept?.id ?? id}`;
    const begun = this.session.begin({ kept, draft, name }, this.unkept(kind, id));
    this.work.set(new CardWork(kind, kinds, this.reading.context(), begun.work, begun.kept));
  }

  /** The draft of the card; of the main one that nobody has saved yet, the draft that is to be it. */
  private draftAt(kept: KeptCard | undefined, id: string): Design | undefined {
    if (kept || id !== MAIN) return this.designs.draftOf(kept?.id ?? null, id);
    return this.designs
      .draftDesigns()
      .find((design) => design.type === 'card' && String(design.kindId) === this.kindId());
  }

  /** The card that a kind has by itself, or a copy of its main one under a name that is free. */
  private unkept(kind: Kind, id: string): CardDesign {
    const main = this.cards()[0]?.definition ?? firstCard(kind);
    if (id === MAIN) return main;
    const names = [main, ...this.cards().map(({ definition }) => definition)].map(({ name }) => name);
    let number = 2;
    while (names.includes(`${kind.one} card ${number}`)) number++;
    return { ...main, name: `${kind.one} card ${number}`, purpose: '' };
  }

  /** Brings an earlier state in; nothing is kept until it is saved. */
  protected goBack({ definition, at }: DesignVersion): void {
    const moment = this.reading.context().formats.moment(Date.parse(at));
    this.work()?.history.replace(definition as CardDesign, `Went back to the version of ${moment}`);
  }

  protected startOver(): void {
    const [kind, id] = [this.kind(), this.cardId()];
    this.session.forget();
    this.work.set(null);
    if (kind) this.open(kind, id);
  }

  protected pick(found: FoundListing): void {
    this.api.sample(found.id).subscribe({
      next: ({ samples, linked }) =>
        this.samples.update((known) => ({
          samples: [...samples, ...(known?.samples ?? []).filter(({ listing }) => listing.id !== found.id)],
          linked: [...linked, ...(known?.linked ?? [])],
        })),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected throwDraftAway(): void {
    this.session.throwDraftAway(() => this.goOn());
  }

  protected send(how: SendDesign): void {
    const [work, kind] = [this.work(), this.kind()];
    if (!work || !kind) return;
    const definition = work.card();
    this.session[how]({ type: 'card', kindId: kind.id, definition }, ({ id }) => {
      work.history.keep(definition);
      // It stays at the card that was saved, under its own address.
      const address = ['/arrange', this.kindId(), 'cards', id];
      if (!this.kept() && this.cardId() !== String(id)) void this.router.navigate(address, { replaceUrl: true });
    });
  }

  /** With what visitors see, where there is anything. */
  private goOn(): void {
    if (this.kept() || this.cardId() === MAIN) this.startOver();
    else void this.router.navigate(['/arrange', this.kindId()]);
  }

  protected begin(name: string): void {
    const [starter, kind] = [CARD_STARTERS.find((one) => one.name === name), this.kind()];
    if (!starter || !kind) return;
    const data: CastFor = { ...starter, kind, cast: castOf(starter.roles, kind) };
    askCast(this.dialog, data, (cast) => this.work()?.begin(starter, cast));
  }

  protected beginFromFile(chosen: File): void {
    const [kind, work] = [this.kind(), this.work()];
    if (!kind || !work) return;
    void this.files.begin(chosen, kind, (file, cast) => {
      if (file.type === 'card') work.beginWithFile(file, cast);
      else this.notices.said(`${chosen.name} holds a page. Open a page of ${kind.many} to begin with it.`);
    });
  }

  protected saveAsFile(): void {
    const work = this.work();
    if (work) this.files.save(work.asFile());
  }

  private look(kindId: number): void {
    this.api.samples(kindId).subscribe({
      next: (samples) => this.samples.set(samples),
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
