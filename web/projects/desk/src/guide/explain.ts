import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Icon } from '@plindo/listing-view';
import { GuidePages } from './guide-pages';

/** A “?” beside what a page of the guide explains. */
@Component({
  selector: 'pl-explain',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      [attr.aria-label]="'Explain: ' + about()"
      [title]="'Explain: ' + about()"
      (click)="guide.shown.set(page())"
    >
      <pl-icon name="help" />
    </button>
  `,
  styles: `
    button {
      display: inline-flex;
      align-items: center;
      padding: 0.25rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      font-size: 1rem;
      vertical-align: middle;
      cursor: pointer;
    }
    button:hover {
      color: var(--pl-accent);
    }
  `,
})
export class Explain {
  /** Name of the page of the guide. */
  readonly page = input.required<string>();
  /** What it is about, in words. */
  readonly about = input.required<string>();
  protected readonly guide = inject(GuidePages);
}
