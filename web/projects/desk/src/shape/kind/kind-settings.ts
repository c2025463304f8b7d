import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { PART_LABELS, STATUS_LABELS } from '@plindo/core/listings';
import type { BuiltInPart, Kind, KindDefinition, OrderKey } from '@plindo/core/structure';
import { BUILT_IN_PARTS, HOUSE_ORDER, START_STATUSES, columnOf } from '@plindo/core/structure';
import { slugOf } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { KIND_ICONS } from '../kind-icons';
import { AddressEditor } from './address-editor';

interface OrderOffer {
  readonly label: string;
  readonly order: readonly OrderKey[];
}

const BY_TITLE: OrderKey = { by: '@title', direction: 'up' };

/** What is said of a kind as a whole. */
@Component({
  selector: 'pl-kind-settings',
  imports: [AddressEditor, Icon, MatCheckboxModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = kind();
    <div class="names">
      <mat-form-field>
        <mat-label>One is called</mat-label>
        <input
          matInput
          maxlength="80"
          placeholder="Berth"
          [value]="own.one"
          (input)="set({ one: $any($event.target).value })"
        />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Many are called</mat-label>
        <input
          matInput
          maxlength="80"
          placeholder="Berths"
          [value]="own.many"
          (input)="setMany($any($event.target).value)"
        />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Address</mat-label>
        <span matTextPrefix>/</span>
        <input matInput maxlength="80" [value]="own.slug" (input)="set({ slug: $any($event.target).value })" />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Icon</mat-label>
        <mat-select [value]="own.icon" (selectionChange)="set({ icon: $event.value })">
          <mat-select-trigger><pl-icon [name]="own.icon" /> {{ own.icon.replaceAll('_', ' ') }}</mat-select-trigger>
          <mat-option value="">None</mat-option>
          @for (icon of icons; track icon) {
            <mat-option [value]="icon"><pl-icon [name]="icon" /> {{ icon.replaceAll('_', ' ') }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
      <label class="colour">
        Colour
        <input type="color" [value]="own.colour || '#0f6e6a'" (input)="set({ colour: $any($event.target).value })" />
      </label>
    </div>
    <details>
      <summary>Parts, pages and order</summary>
      <div class="more">
        <mat-form-field class="whole">
          <mat-label>A sentence above its index page</mat-label>
          <input matInput maxlength="1000" [value]="own.intro" (input)="set({ intro: $any($event.target).value })" />
        </mat-form-field>
        @if (own.hasListingPages) {
          <pl-address-editor class="whole" [kind]="own" [kept]="kept()" (kindChange)="kindChange.emit($event)" />
        }
        <fieldset>
          <legend>Every listing has</legend>
          @for (part of parts; track part) {
            <mat-checkbox [checked]="own.parts.includes(part)" (change)="setPart(part, $event.checked)">
              {{ partLabels[part] }}{{ part === 'dates' || part === 'author' ? ' shown' : '' }}
            </mat-checkbox>
          }
        </fieldset>
        <fieldset>
          <legend>On the site</legend>
          <mat-checkbox [checked]="own.published" (change)="set({ published: $event.checked })">Published</mat-checkbox>
          <mat-checkbox [checked]="own.hasIndexPage" (change)="set({ hasIndexPage: $event.checked })"
            >An index page</mat-checkbox
          >
          <mat-checkbox [checked]="own.hasListingPages" (change)="set({ hasListingPages: $event.checked })"
            >A page for each listing</mat-checkbox
          >
        </fieldset>
        <mat-form-field>
          <mat-label>A new listing starts as</mat-label>
          <mat-select [value]="own.startStatus" (selectionChange)="set({ startStatus: $event.value })">
            @for (status of statuses; track status) {
              <mat-option [value]="status">{{ statusLabels[status] }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field>
          <mat-label>A change by the owner of a listing</mat-label>
          <mat-select [value]="own.ownersChange" (selectionChange)="set({ ownersChange: $event.value })">
            <mat-option value="review">waits for review</mat-option>
            <mat-option value="at-once">is seen at once</mat-option>
          </mat-select>
        </mat-form-field>
        <mat-form-field>
          <mat-label>Order until a visitor chooses another</mat-label>
          <mat-select [value]="orderIndex()" (selectionChange)="set({ defaultOrder: orders()[$event.value]!.order })">
            @for (offer of orders(); track offer.label; let at = $index) {
              <mat-option [value]="at">{{ offer.label }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
      </div>
    </details>
  `,
  styles: `
    :host,
    .more {
      display: grid;
      gap: 0.75rem;
    }
    .names {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
      gap: 0.75rem;
      align-items: center;
    }
    .more {
      align-items: start;
      grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
      padding-block-start: 0.75rem;
    }
    .whole {
      grid-column: 1 / -1;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
      margin: 0;
      padding: 0.25rem 0.75rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .colour {
      display: flex;
      gap: 0.5rem;
      align-items: center;
    }
    .colour input {
      inline-size: 2.5rem;
      block-size: 2.25rem;
      padding: 0;
      border: 1px solid var(--pl-line);
      background: none;
    }
    summary {
      cursor: pointer;
      font-weight: 600;
    }
  `,
})
export class KindSettings {
  readonly kind = input.required<KindDefinition>();
  /** Whether the address still follows the name. */
  readonly isNew = input(false);
  /** As it is kept; null while it is new. */
  readonly kept = input<Kind | null>(null);
  readonly kindChange = output<KindDefinition>();

  protected readonly icons = KIND_ICONS;
  protected readonly parts = BUILT_IN_PARTS;
  protected readonly partLabels = PART_LABELS;
  protected readonly statuses = START_STATUSES;
  protected readonly statusLabels = STATUS_LABELS;
  protected readonly orders = computed((): readonly OrderOffer[] => {
    const byField = this.kind()
      .fields.filter((field) => columnOf(field))
      .flatMap(({ key, label }): OrderOffer[] => [
        { label: `${label}, upward`, order: [{ by: `field:${key}`, direction: 'up' }, BY_TITLE] },
        { label: `${label}, downward`, order: [{ by: `field:${key}`, direction: 'down' }, BY_TITLE] },
      ]);
    const offers: OrderOffer[] = [
      { label: 'Featured first, then hand order, then title', order: HOUSE_ORDER },
      { label: 'Title', order: [BY_TITLE] },
      { label: 'Newest first', order: [{ by: '@createdAt', direction: 'down' }, BY_TITLE] },
      { label: 'Most viewed first', order: [{ by: '@views', direction: 'down' }, BY_TITLE] },
      ...byField,
    ];
    const current = JSON.stringify(this.kind().defaultOrder);
    const isOffered = offers.some(({ order }) => JSON.stringify(order) === current);
    return isOffered ? offers : [...offers, { label: 'An order of its own', order: this.kind().defaultOrder }];
  });
  protected readonly orderIndex = computed(() => {
    const current = JSON.stringify(this.kind().defaultOrder);
    return this.orders().findIndex(({ order }) => JSON.stringify(order) === current);
  });

  protected set(change: Partial<KindDefinition>): void {
    this.kindChange.emit({ ...this.kind(), ...change });
  }

  protected setMany(many: string): void {
    const { slug, many: before } = this.kind();
    const follows = this.isNew() && (slug === '' || slug === slugOf(before));
    this.set({ many, ...(follows && { slug: slugOf(many) }) });
  }

  protected setPart(part: BuiltInPart, isUsed: boolean): void {
    const parts = BUILT_IN_PARTS.filter((other) => (other === part ? isUsed : this.kind().parts.includes(other)));
    this.set({ parts });
  }
}
