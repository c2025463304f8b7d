import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { SessionStore } from '@plindo/api';
import type { FrameDesign, KeptFrame } from '@plindo/core/design';
import { checkFrame, frameOf, makeFrame } from '@plindo/core/design';
import type { PageFrame } from '@plindo/core/page';
import { linksOfSite, siteFrame, styleOf } from '@plindo/core/page';
import { looksOf } from '@plindo/core/design';
import { isListShown } from '@plindo/core/structure';
import { SiteFooter, SiteHeader } from '@plindo/listing-view';
import { wearSiteCss } from '../design/own-sheet';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import { DesignHistory } from '../design/design-history';
import type { SendDesign } from '../design/design-session';
import { DesignSession } from '../design/design-session';
import { DesignerFrame } from '../design/designer-frame';
import { LiveView } from '../../shared/live-view';
import { FrameSettings } from './frame-settings';
import { MenuEditor } from './menu-editor';

const NEW = makeFrame({ name: 'Header and footer' });

/** What stands around every page: the menu as a tree, header and footer as they will be, and what is said of them. */
@Component({
  selector: 'pl-frame-designer',
  imports: [DesignerFrame, FrameSettings, LiveView, MenuEditor, SiteFooter, SiteHeader],
  providers: [DesignSession],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame-designer.html',
  styleUrl: './frame-designer.scss',
})
export class FrameDesigner {
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly reading = inject(Reading);
  private readonly who = inject(SessionStore);
  protected readonly session = inject(DesignSession);
  protected readonly history = signal<DesignHistory<FrameDesign> | null>(null);

  protected readonly kept = computed((): KeptFrame | undefined => frameOf(this.designs.designs() ?? []));
  protected readonly allKinds = computed(() => (this.kinds.kinds() ?? []).map(({ kind }) => kind));
  private readonly links = computed(() => {
    const listed = this.allKinds().filter(isListShown);
    return linksOfSite(listed, this.designs.designs() ?? []);
  });
  protected readonly issues = computed(() => {
    const frame = this.history()?.design();
    return frame ? checkFrame(frame, this.kinds.byId) : [];
  });
  protected readonly look = computed(() => styleOf(looksOf(this.designs.designs() ?? [])[0]?.definition) || null);
  protected readonly shown = computed(
    (): Pick<PageFrame, 'site' | 'words' | 'header' | 'canonical' | 'footer'> | null => {
      const [frame, site] = [this.history()?.design(), this.who.session()?.site];
      if (!frame || !site) return null;
      const { words } = this.reading.context().formats;
      const around = siteFrame(frame, this.links(), { kindById: this.kinds.byId, words });
      return { site, words: words.sent, canonical: '/', ...around };
    },
  );

  constructor() {
    void this.designs.reloadAll();
    wearSiteCss();
    void this.kinds.reload();
    effect(() => {
      if (this.designs.drafts() && this.kinds.kinds()) untracked(() => this.begin());
    });
    effect(() => {
      const history = this.history();
      if (history) this.session.remember(history);
    });
  }

  private begin(): void {
    if (this.history()?.isChanged() === true) return;
    const kept = this.kept();
    const drafts = this.designs.draftDesigns();
    const draft = kept ? this.designs.draftOf(kept.id) : drafts.find(({ type }) => type === 'frame');
    const begun = this.session.begin({ kept, draft, name: 'frame' }, NEW);
    this.history.set(new DesignHistory(begun.work, begun.kept));
  }

  protected startOver(): void {
    this.session.forget();
    this.history.set(null);
    this.begin();
  }

  /** Changes one thing; changes of the same thing one after the other are one step. */
  protected set<Key extends keyof FrameDesign>(key: Key, after: FrameDesign[Key], mark: string = key): void {
    const history = this.history();
    history?.take(
      { act: 'set', at: [key], before: history.design()[key], after, words: 'Changed header and footer' },
      mark,
    );
  }

  /** Begins a menu of one's own with what the menu has by itself. */
  protected beginMenu(): void {
    const history = this.history();
    if (!history) return;
    const before = history.design();
    const menu = this.links().map(({ label, href }) => ({ words: label, address: href, below: [] }));
    const after = { ...before, hasOwnMenu: true, menu: before.menu.length > 0 ? before.menu : menu };
    history.take({ act: 'set', at: [], before, after, words: 'Began a menu of your own' });
  }

  protected throwDraftAway(): void {
    this.session.throwDraftAway(() => this.startOver());
  }

  protected send(how: SendDesign): void {
    const history = this.history();
    if (!history) return;
    const definition = history.design();
    this.session[how]({ type: 'frame', kindId: null, definition }, () => {
      history.keep(definition);
    });
  }
}
