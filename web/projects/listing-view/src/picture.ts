import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Picture } from '@plindo/core/structure';

const WIDTHS = [400, 800, 1600] as const;
const HUES = 5;

/** A picture at the right size, or a drawn placeholder that is always the same for the same title. */
@Component({
  selector: 'pl-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (picture(); as shown) {
      <picture>
        <source type="image/avif" [srcset]="srcset(shown, 'avif')" [sizes]="sizes()" />
        <source type="image/webp" [srcset]="srcset(shown, 'webp')" [sizes]="sizes()" />
        <img
          [src]="url(shown, 800, 'jpeg')"
          [width]="shown.width"
          [height]="shown.height"
          [alt]="shown.alt"
          [style.object-position]="focus(shown)"
          [attr.loading]="eager() ? 'eager' : 'lazy'"
          [attr.fetchpriority]="eager() ? 'high' : null"
          decoding="async"
        />
      </picture>
    } @else {
      <svg viewBox="0 0 120 80" preserveAspectRatio="xMidYMid slice" aria-hidden="true" [class]="'hue-' + hue()">
        <rect width="120" height="80" class="sky" />
        <path d="M0 50 Q 20 42 40 50 T 80 50 T 120 50 V80 H0Z" class="far" />
        <path d="M0 60 Q 15 54 30 60 T 60 60 T 90 60 T 120 60 V80 H0Z" class="near" />
        <text x="60" y="36" text-anchor="middle">{{ initial() }}</text>
      </svg>
    }
  `,
})
export class PictureView {
  readonly picture = input.required<Picture | null>();
  /** What the placeholder stands for. */
  readonly title = input('');
  /** How wide the picture stands, as in the HTML attribute. */
  readonly sizes = input('(max-width: 600px) 92vw, 400px');
  /** True for pictures that are seen without scrolling. */
  readonly eager = input(false);

  /** The first letter or digit: a title can begin with a quote or another mark. */
  protected readonly initial = computed(() => /[\p{L}\p{N}]/u.exec(this.title())?.[0].toUpperCase() ?? '');
  protected readonly hue = computed(
    () => [...this.title()].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % HUES,
  );

  protected url({ hash }: Picture, width: number, format: string): string {
    return `/pictures/${hash}-${width}.${format}`;
  }

  /** The part of a cropped picture that stays in view. */
  protected focus({ focus }: Picture): string | null {
    return focus ? `${focus.x * 100}% ${focus.y * 100}%` : null;
  }

  protected srcset(picture: Picture, format: string): string {
    return WIDTHS.map((width) => `${this.url(picture, width, format)} ${Math.min(width, picture.width)}w`).join(', ');
  }
}
