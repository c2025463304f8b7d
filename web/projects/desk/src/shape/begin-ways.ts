import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

/** The first screen of an empty Desk: four ways to begin, each with a picture. */
@Component({
  selector: 'pl-begin-ways',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Four ways to begin</h2>
    <ul>
      <li>
        <a routerLink="/shape/from-file">
          <svg viewBox="0 0 160 88" aria-hidden="true">
            <rect x="14" y="10" width="58" height="68" rx="3" class="paper" />
            <path d="M14 24h58M14 38h58M14 52h58M14 66h58M32 10v68M52 10v68" class="line" />
            <path d="M80 44h18m-6-6 6 6-6 6" class="mark" />
            <rect x="106" y="12" width="42" height="18" rx="3" class="card" />
            <rect x="106" y="35" width="42" height="18" rx="3" class="card" />
            <rect x="106" y="58" width="42" height="18" rx="3" class="card" />
          </svg>
          <strong>With a file</strong>
          <span>You have a spreadsheet or an export. Plindo makes the kind, its fields and its listings.</span>
        </a>
      </li>
      <li>
        <a routerLink="/shape/from-file" [queryParams]="{ paste: 1 }">
          <svg viewBox="0 0 160 88" aria-hidden="true">
            <rect x="46" y="14" width="68" height="66" rx="4" class="paper" />
            <rect x="66" y="8" width="28" height="12" rx="3" class="card" />
            <path d="M56 34h48M56 46h48M56 58h48M56 70h48M72 28v46M88 28v46" class="line" />
            <rect x="72" y="46" width="16" height="12" class="fill" />
          </svg>
          <strong>With cells to paste</strong>
          <span>Copy some rows from any spreadsheet, with their headings, and paste them here.</span>
        </a>
      </li>
      <li>
        <a routerLink="/shape/starters">
          <svg viewBox="0 0 160 88" aria-hidden="true">
            <rect x="20" y="10" width="120" height="68" rx="4" class="paper" />
            <path d="M20 24h120" class="line" />
            <rect x="28" y="32" width="26" height="38" rx="2" class="fill" />
            <rect x="62" y="32" width="32" height="17" rx="2" class="card" />
            <rect x="100" y="32" width="32" height="17" rx="2" class="card" />
            <rect x="62" y="54" width="32" height="17" rx="2" class="card" />
            <rect x="100" y="54" width="32" height="17" rx="2" class="card" />
            <circle cx="27" cy="17" r="2.5" class="dot" />
          </svg>
          <strong>With a whole site</strong>
          <span>Take one of ours with pages and examples, and put your own listings in their place.</span>
        </a>
      </li>
      <li>
        <a routerLink="/shape/new">
          <svg viewBox="0 0 160 88" aria-hidden="true">
            <rect x="30" y="12" width="76" height="14" rx="3" class="paper" />
            <rect x="30" y="34" width="76" height="14" rx="3" class="paper" />
            <rect x="30" y="56" width="76" height="14" rx="3" class="paper" />
            <path d="M36 19h34M36 41h46" class="line" />
            <path d="m86 72 34-38 9 8-34 38-12 3z" class="card" />
            <path d="m112 43 9 8" class="line" />
          </svg>
          <strong>By hand</strong>
          <span>Say what you list and which fields it has, and enter the listings one by one.</span>
        </a>
      </li>
    </ul>
  `,
  styles: `
    h2 {
      margin-block-end: 0.75rem;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
      gap: 1rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    a {
      display: grid;
      grid-template-rows: auto auto 1fr;
      gap: 0.375rem;
      block-size: 100%;
      padding: 1rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      color: var(--pl-ink);
      text-decoration: none;
    }
    a:hover {
      border-color: var(--pl-accent);
    }
    strong {
      font: 640 1.125rem var(--pl-heading);
    }
    span {
      color: var(--pl-quiet);
    }
    svg {
      inline-size: 100%;
      max-block-size: 8rem;
      margin-block-end: 0.5rem;
      border-radius: var(--pl-corner);
      background: var(--pl-wash);
      stroke-width: 1.5;
      fill: none;
    }
    .paper {
      fill: var(--pl-raised);
      stroke: var(--pl-ink);
    }
    .line {
      stroke: var(--pl-line);
    }
    .card {
      fill: color-mix(in oklab, var(--pl-accent) 22%, var(--pl-raised));
      stroke: var(--pl-accent);
    }
    .fill {
      fill: var(--pl-wash);
      stroke: var(--pl-accent);
    }
    .mark {
      stroke: var(--pl-signal);
      stroke-width: 2.5;
    }
    .dot {
      fill: var(--pl-signal);
    }
  `,
})
export class BeginWays {}
