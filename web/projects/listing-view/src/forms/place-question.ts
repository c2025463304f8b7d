import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { sayOnPage } from '../page-words';

/** Six decimals are a tenth of a metre; five are what a click on a map can mean. */
const DECIMALS = 5;

/** A place: picked on the map, or by its coordinates and an address in words. */
@Component({
  selector: 'pl-place-question',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (interactive() && (base() !== null || tiles() !== null)) {
      @if (isOpen()) {
        <span #map class="pick-map" tabindex="-1"></span>
      } @else {
        <button type="button" (click)="open()">{{ say('form.pick-place') }}</button>
      }
    }
    <span class="ends">
      <label>
        {{ say('form.latitude') }}
        <input [name]="field() + '.latitude'" inputmode="decimal" [attr.value]="parts()['latitude'] ?? ''" />
      </label>
      <label>
        {{ say('form.longitude') }}
        <input [name]="field() + '.longitude'" inputmode="decimal" [attr.value]="parts()['longitude'] ?? ''" />
      </label>
    </span>
    <label>
      {{ say('form.address') }}
      <input [name]="field() + '.address'" maxlength="300" [attr.value]="parts()['address'] ?? ''" />
    </label>
  `,
})
export class PlaceQuestion {
  readonly field = input.required<string>();
  readonly parts = input.required<Readonly<Record<string, string>>>();
  /** The address of the site's own base map; null for none. */
  readonly base = input.required<string | null>();
  readonly tiles = input.required<string | null>();
  readonly interactive = input(false);
  readonly touched = output();

  protected readonly say = sayOnPage();
  protected readonly isOpen = signal(false);
  private readonly map = viewChild<ElementRef<HTMLElement>>('map');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected open(): void {
    this.isOpen.set(true);
    // Once the element of the map is there.
    setTimeout(() => void this.draw());
  }

  private async draw(): Promise<void> {
    const element = this.map()?.nativeElement;
    if (!element) return;
    const { pickOnMap } = await import('../map/pick-map');
    const [latitude, longitude] = [this.control('latitude'), this.control('longitude')];
    const at =
      latitude?.value && longitude?.value
        ? { latitude: Number(latitude.value), longitude: Number(longitude.value) }
        : null;
    await pickOnMap(element, { base: this.base(), tiles: this.tiles() }, at, (picked) => {
      if (latitude) latitude.value = picked.latitude.toFixed(DECIMALS);
      if (longitude) longitude.value = picked.longitude.toFixed(DECIMALS);
      this.touched.emit();
    });
  }

  private control(name: string): HTMLInputElement | null {
    return this.host.querySelector(`input[name="${CSS.escape(`${this.field()}.${name}`)}"]`);
  }
}
