import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { AddressesApi, PausedQuestion } from '@plindo/api';
import type { AddressLook, FormerAddresses } from '@plindo/core/contract';
import type { Redirect, RedirectsDesign } from '@plindo/core/design';
import { checkRedirects, makeRedirects, redirectsOf } from '@plindo/core/design';
import { readRedirects, writeRedirects } from '@plindo/core/exchange';
import { isKindShown } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { saveAsFile } from '../../shared/save-as-file';
import { DesignHistory } from '../design/design-history';
import { DesignSession } from '../design/design-session';
import { withRedirects } from './redirect-work';

const NEW = makeRedirects({ name: 'Redirects' });
/** So many rows are shown; of more, those that fit the search. */
const MOST_SHOWN = 100;

/** Addresses of the site: how those of listings are made, what Plindo remembers, and where those of an older site lead. */
@Component({
  selector: 'pl-addresses-page',
  imports: [Icon, KindList, MatButtonModule, RouterLink],
  providers: [DesignSession],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './addresses-page.html',
  styleUrl: './addresses-page.scss',
})
export class AddressesPage {
  private readonly api = inject(AddressesApi);
  private readonly designs = inject(DesignsStore);
  private readonly kindsStore = inject(KindsStore);
  private readonly notices = inject(Notices);
  protected readonly session = inject(DesignSession);

  protected readonly kinds = computed(() =>
    (this.kindsStore.kinds() ?? []).map(({ kind }) => kind).filter((kind) => isKindShown(kind) && kind.hasListingPages),
  );
  protected readonly history = signal<DesignHistory<RedirectsDesign> | null>(null);
  protected readonly search = signal('');
  /** What could not be read of a file, with the line. */
  protected readonly left = signal<readonly string[]>([]);
  protected readonly former = signal<FormerAddresses | null>(null);
  private readonly looked = signal<ReadonlyMap<string, AddressLook>>(new Map());
  private readonly asked = new PausedQuestion<string, FormerAddresses>((text) => this.api.former(text), {
    next: (former) => this.former.set(former),
    error: (error) => this.notices.refused(error),
  });
  private readonly lookAt = new PausedQuestion<readonly string[], AddressLook[]>((all) => this.api.look(all), {
    next: (looks) => this.looked.set(new Map(looks.map((look) => [look.address, look]))),
    error: (error) => this.notices.refused(error),
  });

  private readonly entries = computed(() => this.history()?.design().entries ?? []);
  protected readonly count = computed(() => this.entries().length);
  protected readonly issues = computed(() => {
    const design = this.history()?.design();
    return design ? checkRedirects(design) : [];
  });
  /** The rows that fit the search, each with its place among all. */
  protected readonly rows = computed(() => {
    const text = this.search().trim().toLowerCase();
    const fitting = this.entries()
      .map((entry, at) => ({ ...entry, at }))
      .filter(({ from, to }) => text === '' || from.toLowerCase().includes(text) || to.toLowerCase().includes(text));
    return { shown: fitting.slice(0, MOST_SHOWN), more: Math.max(0, fitting.length - MOST_SHOWN) };
  });

  constructor() {
    void this.kindsStore.reload();
    void this.designs.reloadAll();
    this.asked.ask('');
    effect(() => {
      if (this.designs.drafts()) untracked(() => this.begin());
    });
    effect(() => {
      const history = this.history();
      if (history) this.session.remember(history);
    });
    effect(() => {
      const { shown } = this.rows();
      const paths = shown.flatMap(({ from, to }) => [from, to]).filter((address) => address.startsWith('/'));
      if (paths.length > 0) this.lookAt.ask([...new Set(paths)]);
    });
  }

  private begin(): void {
    if (this.history()?.isChanged() === true) return;
    const kept = redirectsOf(this.designs.designs() ?? []);
    const begun = this.session.begin({ kept, draft: undefined, name: 'redirects' }, NEW);
    this.history.set(new DesignHistory(begun.work, begun.kept));
  }

  /** What stands in the way of a row, or is worth knowing. */
  protected toldOf({ from, to, at }: Redirect & { readonly at: number }): string {
    const fault = this.issues().find(({ field }) => field === `entries.${at + 1}`);
    if (fault) return fault.message;
    if (this.looked().get(from)?.isThere) return 'A page has this address now, so the redirect does nothing.';
    const there = this.looked().get(to);
    return there && !there.isThere && there.leadsTo === null ? 'Nothing is there.' : '';
  }

  protected isWrong({ at }: { readonly at: number }): boolean {
    return this.issues().some(({ field }) => field === `entries.${at + 1}`);
  }

  protected ask(text: string): void {
    this.asked.ask(text);
  }

  protected add(): void {
    this.search.set('');
    this.set([...this.entries(), { from: '', to: '' }], 'Added a redirect');
  }

  protected put(at: number, change: Partial<Redirect>): void {
    const after = this.entries().map((entry, place) => (place === at ? { ...entry, ...change } : entry));
    this.set(after, 'Changed a redirect', `${at} ${Object.keys(change).join()}`);
  }

  protected remove(at: number): void {
    this.set(
      this.entries().filter((_, place) => place !== at),
      'Removed a redirect',
    );
  }

  private set(entries: readonly Redirect[], words: string, mark: string | null = null): void {
    const history = this.history();
    history?.take({ act: 'set', at: ['entries'], before: history.design().entries, after: entries, words }, mark);
  }

  protected async read(input: HTMLInputElement): Promise<void> {
    const [file] = input.files ?? [];
    input.value = '';
    if (!file) return;
    const found = readRedirects(await file.text());
    if (!found.ok) return this.left.set([found.issue.message]);
    const { entries, left } = found.value;
    this.left.set(left.map(({ line, why }) => `Line ${line} was left out: ${why}`));
    this.set(withRedirects(this.entries(), entries), `Took ${entries.length} redirects from ${file.name}`);
  }

  protected download(): void {
    saveAsFile(writeRedirects(this.entries()), 'redirects.csv', 'text/csv');
  }

  protected save(): void {
    const history = this.history();
    if (!history) return;
    const definition = history.design();
    this.session.publish({ type: 'redirects', kindId: null, definition }, () => history.keep(definition));
  }
}
