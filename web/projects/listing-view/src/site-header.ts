import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { HeaderModel, PageFrame } from '@plindo/core/page';
import { PictureView } from './picture';
import { VisitorLists } from './visitor/visitor-lists';
import { MAKE_WORDS } from './page-words';

/** What stands above every page: what leads to the home page, the menu, and a search; the last two behind a button on narrow screens. It works without scripts. */
@Component({
  selector: 'pl-site-header',
  imports: [PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = header();
    <a class="name" href="/">
      @if (own.logo; as logo) {
        <pl-picture [picture]="logo" sizes="12rem" [eager]="true" />
      } @else {
        {{ frame().site.name }}
      }
    </a>
    <button type="button" class="menu-button" popovertarget="site-menu">{{ words().say('page.menu') }}</button>
    <div class="menu" id="site-menu" popover>
      <nav [attr.aria-label]="words().say('page.menu')">
        @for (item of own.menu; track $index) {
          @if (item.below.length) {
            <details name="menu">
              <summary [attr.aria-current]="isIn(item) ? 'true' : null">{{ item.label }}</summary>
              <div class="below">
                @if (item.href) {
                  <a [href]="item.href" [attr.aria-current]="isCurrent(item.href) ? 'true' : null">{{ item.label }}</a>
                }
                @for (link of item.below; track $index) {
                  <a [href]="link.href" [attr.aria-current]="isCurrent(link.href) ? 'true' : null">{{ link.label }}</a>
                }
              </div>
            </details>
          } @else {
            <a [href]="item.href" [attr.aria-current]="isCurrent(item.href) ? 'true' : null">{{ item.label }}</a>
          }
        }
      </nav>
      @if (own.shortlist; as link) {
        <a class="shortlist" [href]="link.href" [attr.aria-current]="isCurrent(link.href) ? 'true' : null">
          {{ link.label }}
          @if (kept().length) {
            <span class="kept">{{ kept().length }}</span>
          }
        </a>
      }
      @if (own.search; as search) {
        <form role="search" method="get" [action]="search.href">
          <label>
            <span class="hidden-text">{{ search.label }}</span>
            <input type="search" name="q" maxlength="200" [placeholder]="search.label" />
          </label>
        </form>
      }
    </div>
  `,
})
export class SiteHeader {
  readonly frame = input.required<Pick<PageFrame, 'site' | 'words' | 'header' | 'canonical'>>();

  protected readonly kept = inject(VisitorLists).shortlist;
  protected readonly header = computed((): HeaderModel => this.frame().header);
  private readonly wordsOf = inject(MAKE_WORDS);
  protected readonly words = computed(() => this.wordsOf(this.frame().words));

  protected isCurrent(href: string): boolean {
    const { canonical } = this.frame();
    if (href === '/') return canonical === '/' || canonical.startsWith('/?');
    return canonical === href || canonical.startsWith(`${href}/`) || canonical.startsWith(`${href}?`);
  }

  protected isIn({ href, below }: HeaderModel['menu'][number]): boolean {
    return [href, ...below.map((link) => link.href)].some((one) => one !== '' && this.isCurrent(one));
  }
}
