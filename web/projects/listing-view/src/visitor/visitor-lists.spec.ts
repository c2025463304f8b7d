import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { KeepButtons } from './keep-buttons';
import type { KeptChange } from './keep-buttons';
import { VisitorLists } from './visitor-lists';

@Component({
  selector: 'pl-with-keep',
  imports: [KeepButtons],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div plKeepButtons (keptChange)="change = $event">
      <button type="button" data-keep="4" data-title="Quay" aria-pressed="false"><b></b></button>
      <div class="later"></div>
    </div>
  `,
})
class WithKeep {
  change: KeptChange | null = null;
}

describe('What a browser keeps for its visitor', () => {
  let lists: VisitorLists;
  beforeEach(() => {
    localStorage.clear();
    lists = TestBed.inject(VisitorLists);
  });
  afterEach(() => localStorage.clear());

  it('outlives the page: the shortlist in its order, what was seen with the last first', () => {
    lists.begin();
    expect(lists.toggle(7)).toBeTrue();
    lists.keep([3, 7, 9]);
    expect(lists.toggle(3)).toBeFalse();
    lists.see(1);
    lists.see(2);
    lists.see(1);
    const again = TestBed.runInInjectionContext(() => new VisitorLists());
    expect(again.shortlist()).toEqual([]);
    again.begin();
    expect([again.shortlist(), again.recent()]).toEqual([
      [7, 9],
      [1, 2],
    ]);
  });

  it('is nothing where what stands there was written by something else', () => {
    for (const text of ['{', '7', '["a",null,5.5]']) {
      localStorage.setItem('plindo-shortlist', text);
      lists.begin();
      expect(lists.shortlist()).withContext(text).toEqual([]);
    }
  });

  it('is marked on buttons that are plain HTML, also on those that come later', async () => {
    lists.begin();
    lists.keep([5]);
    const fixture = TestBed.createComponent(WithKeep);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    host.querySelector<HTMLElement>('b')!.click();
    await fixture.whenStable();
    expect(fixture.componentInstance.change).toEqual({ title: 'Quay', isKept: true });
    expect(host.querySelector('[data-keep="4"]')!.getAttribute('aria-pressed')).toBe('true');
    host.querySelector('.later')!.innerHTML = '<button data-keep="5" aria-pressed="false">Keep</button>';
    await new Promise((resolve) => setTimeout(resolve));
    expect(host.querySelector('[data-keep="5"]')!.getAttribute('aria-pressed')).toBe('true');
  });
});
