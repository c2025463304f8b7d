import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { sentenceOf } from '@plindo/api';
import { foldText } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { marked } from 'marked';
import { GuidePages } from './guide-pages';

/** A page of the guide beside the work, or all of them to choose from. */
@Component({
  selector: 'pl-guide-panel',
  imports: [Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      @if (guide.shown()) {
        <button matButton type="button" (click)="guide.shown.set('')">
          <pl-icon name="menu_book" />All of the guide
        </button>
      } @else {
        <h2>The guide</h2>
      }
      <button class="close" type="button" aria-label="Close the guide" (click)="guide.shown.set(null)">
        <pl-icon name="close" />
      </button>
    </div>
    @if (failure()) {
      <p class="issues" role="alert">{{ failure() }}</p>
    }
    @if (guide.shown()) {
      <article [innerHTML]="html()"></article>
    } @else {
      <input
        class="plain-input"
        type="search"
        aria-label="Find in the guide"
        placeholder="What do you want to do?"
        (input)="text.set($any($event.target).value)"
      />
      <ul>
        @for (page of found(); track page.name) {
          <li>
            <button type="button" (click)="guide.shown.set(page.name)">{{ page.title }}</button>
          </li>
        } @empty {
          <li class="quiet">No page is about that.</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.75rem 1.25rem 2rem;
      overflow-y: auto;
      border-inline-start: 1px solid var(--pl-line);
      background: var(--pl-raised);
    }
    .bar {
      display: flex;
      align-items: center;
      justify-content: space-between;
      min-block-size: 2.5rem;
      margin-block-end: 0.5rem;
    }
    .close,
    li button {
      border: 0;
      background: none;
      color: var(--pl-accent);
      font: inherit;
      text-align: start;
      cursor: pointer;
    }
    .close {
      display: inline-flex;
      padding: 0.5rem;
      color: var(--pl-ink);
    }
    input {
      inline-size: 100%;
    }
    ul {
      display: grid;
      gap: 0.125rem;
      margin: 0.75rem 0 0;
      padding: 0;
      list-style: none;
    }
    li button {
      min-block-size: 2rem;
      padding-inline: 0;
      text-decoration: underline;
      text-underline-offset: 0.2em;
    }
    article ::ng-deep h1 {
      font-size: 1.375rem;
    }
    article ::ng-deep img {
      max-inline-size: 100%;
      margin-block: 0.75rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
    }
    article ::ng-deep p,
    article ::ng-deep ul,
    article ::ng-deep ol {
      margin-block: 0.625rem;
    }
    article ::ng-deep ul,
    article ::ng-deep ol {
      display: block;
      padding-inline-start: 1.25rem;
      list-style: revert;
    }
    article ::ng-deep li {
      margin-block: 0.25rem;
    }
    article ::ng-deep code {
      font-size: 0.9375em;
    }
  `,
})
export class GuidePanel {
  protected readonly guide = inject(GuidePages);
  protected readonly text = signal('');
  protected readonly html = signal('');
  protected readonly failure = signal('');
  protected readonly found = computed(() => {
    const words = foldText(this.text()).split(/\s+/).filter(Boolean);
    return this.guide.pages().filter(({ title, words: own }) => {
      const all = foldText(`${title} ${own}`);
      return words.every((word) => all.includes(word));
    });
  });

  constructor() {
    void this.guide.load().catch((error: unknown) => this.failure.set(sentenceOf(error)));
    effect(() => {
      const name = this.guide.shown();
      if (name) void this.show(name);
    });
  }

  private async show(name: string): Promise<void> {
    try {
      const html = await marked.parse(await this.guide.textOf(name));
      if (name === this.guide.shown()) this.html.set(html);
      this.failure.set('');
    } catch (error) {
      this.failure.set(sentenceOf(error));
    }
  }
}
