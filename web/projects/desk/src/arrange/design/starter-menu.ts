import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import type { FieldRole } from '@plindo/core/structure';

/** A design to begin with. */
export interface StarterOffer {
  readonly name: string;
  readonly label: string;
  readonly purpose: string;
  /** What the kind lacks for it; '' for nothing. */
  readonly lacks: string;
}

/** Designs to begin with, each with what it is for, or what the kind lacks for it. */
@Component({
  selector: 'pl-starter-menu',
  imports: [MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton [matMenuTriggerFor]="menu">Begin with …</button>
    <mat-menu #menu class="starters">
      @for (one of offers(); track one.name) {
        <button mat-menu-item (click)="begun.emit(one.name)">
          <span class="label">{{ one.label }}</span>
          <span class="about">{{ one.lacks === '' ? one.purpose : 'Needs ' + one.lacks }}</span>
        </button>
      }
      <button mat-menu-item class="file" (click)="choice.click()">From a file …</button>
      <button mat-menu-item (click)="saved.emit()">Save this one as a file</button>
    </mat-menu>
    <input
      #choice
      type="file"
      hidden
      aria-label="A starter in a file"
      accept="application/json,.json"
      (change)="choose($any($event.target))"
    />
  `,
  styles: `
    .label,
    .about {
      display: block;
    }
    .file {
      border-block-start: 1px solid var(--pl-line);
    }
    .label {
      padding-block-start: 0.5rem;
    }
    .about {
      padding-block-end: 0.5rem;
      color: var(--pl-quiet);
      font-size: 0.875rem;
      line-height: 1.3;
      white-space: normal;
    }
  `,
})
export class StarterMenu {
  readonly offers = input.required<readonly StarterOffer[]>();
  /** Told the name of the one that was chosen. */
  readonly begun = output<string>();
  readonly fileChosen = output<File>();
  readonly saved = output();

  protected choose(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = '';
    if (file) this.fileChosen.emit(file);
  }
}

/** What is lacking, in a sentence. */
export function lacksInWords(roles: readonly FieldRole[]): string {
  return roles.map(({ label }) => label).join(' and ');
}
