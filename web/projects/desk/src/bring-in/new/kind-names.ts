import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { KindSketch } from '@plindo/core/structure';
import { slugOf } from '@plindo/core/values';
import { pluralOf } from '../../shared/plural';

/** What one row is, what many are, and where their index page stands. */
export type KindNames = Pick<KindSketch, 'one' | 'many' | 'slug'>;

export const NO_NAMES: KindNames = { one: '', many: '', slug: '' };

/** Asks what one row is; the plural and the address follow as long as nobody has typed others. */
@Component({
  selector: 'pl-kind-names',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>One of them</mat-label>
      <input
        matInput
        placeholder="Place"
        required
        maxlength="80"
        [value]="names().one"
        (input)="setOne($any($event.target).value)"
      />
      <mat-hint>Such as Place, Course or Company</mat-hint>
    </mat-form-field>
    <mat-form-field>
      <mat-label>Many of them</mat-label>
      <input
        matInput
        placeholder="Places"
        required
        maxlength="80"
        [value]="names().many"
        (input)="setMany(names(), $any($event.target).value)"
      />
    </mat-form-field>
    <mat-form-field>
      <mat-label>Address of the index page</mat-label>
      <span matTextPrefix>/</span>
      <input
        matInput
        placeholder="places"
        required
        maxlength="80"
        [value]="names().slug"
        (input)="namesChange.emit({ one: names().one, many: names().many, slug: $any($event.target).value })"
      />
    </mat-form-field>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
      align-items: start;
      gap: 0.75rem;
      margin-block-start: 0.75rem;
    }
  `,
})
export class KindNamesPanel {
  readonly names = input.required<KindNames>();
  /** Of the site, for the plural. */
  readonly locale = input.required<string>();
  readonly namesChange = output<KindNames>();

  protected setOne(one: string): void {
    const names = this.names();
    const follows = names.many === pluralOf(names.one, this.locale());
    this.setMany({ ...names, one }, follows ? pluralOf(one, this.locale()) : names.many);
  }

  protected setMany(names: KindNames, many: string): void {
    const follows = names.slug === slugOf(names.many);
    this.namesChange.emit({ ...names, many, slug: follows ? slugOf(many) : names.slug });
  }
}
