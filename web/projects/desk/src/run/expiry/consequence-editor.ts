import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Consequence, Deed, Field, Kind } from '@plindo/core/structure';
import { addressesIn, fieldByKey, isSettable } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { CategoriesControl } from '../../shared/controls/categories-control';
import { FieldControl } from '../../shared/controls/field-control';
import { Reading } from '../../shared/reading';
import type { OfferedDeed } from './deeds';
import { OFFERED_DEEDS, nameOfDeed } from './deeds';

/** One thing that happens to a listing that leaves: when, and what. */
@Component({
  selector: 'pl-consequence-editor',
  imports: [CategoriesControl, FieldControl, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './consequence-editor.html',
  styleUrl: './consequence-editor.scss',
})
export class ConsequenceEditor {
  readonly consequence = input.required<Consequence>();
  readonly kind = input.required<Kind>();
  /** How many listings it happens to now and soon; '' while that isn't known. */
  readonly counted = input('');
  readonly isFirst = input(false);
  readonly consequenceChange = output<Consequence>();
  readonly raised = output();
  readonly removed = output();

  protected readonly context = inject(Reading).context;
  protected readonly deeds = computed(() => OFFERED_DEEDS.filter((offered) => offered.begin(this.kind()) !== null));
  protected readonly chosen = computed(() => nameOfDeed(this.consequence().deed));
  /** Whether it happens before a listing leaves, when it does, or afterwards. */
  protected readonly side = computed(() => Math.sign(this.consequence().days));
  protected readonly amount = computed(() => Math.abs(this.consequence().days));
  protected readonly isTelling = computed(() => this.consequence().deed.act === 'tell');
  protected readonly categoryFields = computed(() => this.kind().fields.filter(({ type }) => type === 'categories'));
  protected readonly mailFields = computed(() => this.kind().fields.filter(({ type }) => type === 'email'));
  protected readonly settable = computed(() => this.kind().fields.filter(isSettable));
  protected readonly categorising = computed(() => this.deedOf('categorise'));
  protected readonly setting = computed(() => this.deedOf('set-field'));
  protected readonly telling = computed(() => this.deedOf('tell'));
  protected readonly addresses = computed(() => this.telling()?.to.join(', ') ?? '');
  /** The entries among the addresses that are not valid e-mail addresses. */
  protected readonly wrong = computed(() => addressesIn(this.addresses()).wrong);

  protected choose(name: string): void {
    const begun = this.deeds()
      .find((offered: OfferedDeed) => offered.name === name)
      ?.begin(this.kind());
    if (!begun) return;
    const days = begun.act === 'tell' ? this.consequence().days : Math.max(0, this.consequence().days);
    this.put({ deed: begun, days });
  }

  protected put(change: Partial<Consequence>): void {
    this.consequenceChange.emit({ ...this.consequence(), ...change });
  }

  protected putDeed(change: object): void {
    this.put({ deed: { ...this.consequence().deed, ...change } as Deed });
  }

  protected setSide(side: number): void {
    this.put({ days: side * Math.max(1, this.amount()) });
  }

  protected setAmount(text: string): void {
    const amount = Math.trunc(Math.abs(Number(text)));
    if (Number.isFinite(amount)) this.put({ days: this.side() * amount });
  }

  protected setAddresses(text: string): void {
    const { addresses, wrong } = addressesIn(text);
    this.putDeed({ to: [...addresses, ...wrong] });
  }

  protected toggleField(key: string, isOn: boolean): void {
    const fields = this.telling()?.fields.filter((one) => one !== key) ?? [];
    this.putDeed({ fields: isOn ? [...fields, key] : fields });
  }

  protected field(key: string): Field | null {
    return fieldByKey(this.kind(), key) ?? null;
  }

  private deedOf<Act extends Deed['act']>(act: Act): Extract<Deed, { act: Act }> | null {
    const { deed } = this.consequence();
    return deed.act === act ? (deed as Extract<Deed, { act: Act }>) : null;
  }
}
