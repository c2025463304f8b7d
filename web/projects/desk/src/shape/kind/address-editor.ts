import { CdkDrag, CdkDropList, moveItemInArray } from '@angular/cdk/drag-drop';
import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatChipsModule } from '@angular/material/chips';
import { MatMenuModule } from '@angular/material/menu';
import { CatalogApi } from '@plindo/api';
import type { AddressClash } from '@plindo/core/plans';
import { hasOtherAddresses } from '@plindo/core/plans';
import type { AddressForm, AddressPart, Kind, KindDefinition } from '@plindo/core/structure';
import {
  ADDRESS_SLASH,
  MOST_ADDRESS_PARTS,
  addressFields,
  addressForms,
  checkAddresses,
  fieldOfAddress,
  makeAddressPart,
} from '@plindo/core/structure';
import { slugOf } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { timer, switchMap } from 'rxjs';

const FORM_LABELS: Readonly<Record<AddressForm, string>> = {
  whole: '',
  year: 'year',
  month: 'year and month',
  day: 'day',
};
const REST_IN_MS = 300;
const MOST_TITLES = 3;

/** What the addresses of a kind's listings are made of, with what becomes of the ones that there are. */
@Component({
  selector: 'pl-address-editor',
  imports: [CdkDrag, CdkDropList, Icon, MatButtonModule, MatChipsModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './address-editor.html',
  styleUrl: './address-editor.scss',
})
export class AddressEditor {
  readonly kind = input.required<KindDefinition>();
  /** The kind as it is kept; null while it is new. */
  readonly kept = input<Kind | null>(null);
  readonly kindChange = output<KindDefinition>();

  private readonly api = inject(CatalogApi);

  protected readonly parts = computed(() => this.kind().addressPattern ?? []);
  protected readonly chips = computed(() => this.parts().map((part) => ({ part, label: this.labelOf(part) })));
  protected readonly offers = computed(() =>
    addressFields(this.kind().fields).flatMap((field) =>
      addressForms(field).map((as) => ({
        part: makeAddressPart({ field: field.key, as }),
        label: labelled(field.label, as),
      })),
    ),
  );
  protected readonly isFull = computed(() => this.parts().length >= MOST_ADDRESS_PARTS);
  protected readonly problems = computed(() => checkAddresses(this.kind()).map(({ message }) => message));
  private readonly asked = computed(() => {
    const kindId = this.kept()?.id;
    return kindId !== undefined && this.problems().length === 0 ? { kindId, parts: this.parts() } : undefined;
  });
  /** Whether saving would give the listings other addresses; until then each has the one that it has. */
  protected readonly isOther = computed(() => {
    const kept = this.kept();
    return kept !== null && hasOtherAddresses(kept, this.kind());
  });
  /** What the addresses would be, of all listings. */
  protected readonly plan = rxResource({
    params: () => this.asked(),
    stream: ({ params }) =>
      timer(REST_IN_MS).pipe(switchMap(() => this.api.planAddresses(params.kindId, params.parts))),
  });

  protected add(part: AddressPart): void {
    this.set([...this.parts(), part]);
  }

  protected addSlash(): void {
    this.add(makeAddressPart({ text: ADDRESS_SLASH }));
  }

  protected addWord(text: string): void {
    const word = slugOf(text);
    if (word !== '') this.add(makeAddressPart({ text: word }));
  }

  protected remove(at: number): void {
    this.set(this.parts().filter((_, place) => place !== at));
  }

  /** Moves a part by one place: with the arrow keys, as with the pointer. */
  protected move(event: Event, at: number, by: number): void {
    event.preventDefault();
    event.stopPropagation();
    this.moveTo(at, at + by);
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.moveTo(previousIndex, currentIndex);
  }

  /** The titles of listings that clash, each once: the first ones, and how many there are. */
  protected titlesOf({ count, listings }: AddressClash): string {
    const titles = [...new Set(listings.map(({ title }) => title))];
    const first = titles
      .slice(0, MOST_TITLES)
      .map((title) => `“${title}”`)
      .join(', ');
    return `${count} listings: ${first}${titles.length > MOST_TITLES ? ' …' : ''}`;
  }

  private moveTo(from: number, to: number): void {
    if (to < 0 || to >= this.parts().length) return;
    const parts = [...this.parts()];
    moveItemInArray(parts, from, to);
    this.set(parts);
  }

  private set(parts: readonly AddressPart[]): void {
    this.kindChange.emit({ ...this.kind(), addressPattern: parts.length > 0 ? parts : null });
  }

  private labelOf({ field: key, as, text }: AddressPart): string {
    if (key === '') return text;
    return labelled(fieldOfAddress(key, this.kind().fields)?.label ?? key, as);
  }
}

function labelled(label: string, as: AddressForm): string {
  return as === 'whole' ? label : `${label}, ${FORM_LABELS[as]}`;
}
