import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import { daysWords, deedWords } from '@plindo/core/listings';
import type { NoticeSettings, NoticeTarget, SiteNotice } from '@plindo/core/structure';
import { DEFAULT_NOTICES, SITE_NOTICES, addressesIn } from '@plindo/core/structure';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { WordingEditor } from './wording-editor';
import { Explain } from '../../guide/explain';

/** What each notice of the site tells, and who is told beside those who are named. */
const TOLD: Readonly<Record<SiteNotice, { readonly label: string; readonly also: string }>> = {
  'featured-ended': { label: 'A listing is no longer featured', also: '' },
  'import-finished': { label: 'A file has been brought in', also: 'whoever brought it in' },
  problems: { label: 'Plindo could not do something that was due', also: '' },
  'backup-made': { label: 'A backup was made', also: '' },
  'backup-failed': { label: 'A backup could not be made', also: '' },
  'submission-came': { label: 'A visitor has sent something in', also: '' },
  'signed-in': { label: 'Somebody signed in from a new place', also: 'the one who signed in' },
};

/** What the site tells of itself to whom, and what rules tell of listings. */
@Component({
  selector: 'pl-notices-page',
  imports: [Explain, KindList, MatCheckboxModule, RouterLink, WordingEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './notices-page.html',
  styleUrl: './notices-page.scss',
})
export class NoticesPage {
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);
  private readonly kinds = inject(KindsStore);
  private readonly session = inject(SessionStore);
  private readonly context = inject(Reading).context;

  protected readonly all = SITE_NOTICES;
  protected readonly told = TOLD;
  protected readonly hours = Array.from({ length: 24 }, (_, hour) => hour);
  protected readonly refused = signal('');
  protected readonly isOwner = this.session.isOwner;
  protected readonly zone = computed(() => this.context().zone);
  protected readonly settings = computed(
    (): NoticeSettings => this.session.session()?.site?.notices ?? DEFAULT_NOTICES,
  );
  /** What the rules of kinds tell. */
  protected readonly byRules = computed(() =>
    (this.kinds.kinds() ?? []).flatMap(({ kind }) =>
      (kind.expiry?.consequences ?? [])
        .filter(({ deed }) => deed.act === 'tell')
        .map((one) => ({
          id: kind.id,
          many: kind.many,
          sentence: `${daysWords(one)}: ${deedWords(one.deed, kind, this.context().formats)}`,
        })),
    ),
  );

  constructor() {
    void this.kinds.reload();
  }

  protected target(name: SiteNotice): NoticeTarget | null {
    return this.settings().told[name] ?? null;
  }

  protected toggle(name: SiteNotice, isOn: boolean): void {
    const { [name]: _, ...others } = this.settings().told;
    const mail = this.session.session()?.user?.email ?? '';
    const begun: NoticeTarget = { to: TOLD[name].also === '' ? [mail] : [], manner: 'at-once' };
    this.save({ told: isOn ? { ...others, [name]: begun } : others });
  }

  protected put(name: SiteNotice, change: Partial<NoticeTarget>): void {
    const target = this.target(name);
    if (target) this.save({ told: { ...this.settings().told, [name]: { ...target, ...change } } });
  }

  protected setAddresses(name: SiteNotice, text: string): void {
    const { addresses, wrong } = addressesIn(text);
    const [first] = wrong;
    if (first === undefined) this.put(name, { to: addresses });
    else this.refused.set(`“${first}” is not an e-mail address. Write it as name@example.org.`);
  }

  protected save(change: Partial<NoticeSettings>): void {
    this.refused.set('');
    this.api.saveSite({ notices: { ...this.settings(), ...change } }).subscribe({
      next: ({ changeId }) => {
        this.reload();
        this.notices.changed('Changed what is told to whom', changeId, () => this.reload());
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  private reload(): void {
    this.api.load().subscribe();
  }
}
