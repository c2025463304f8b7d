import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import type { SiteStarterSummary } from '@plindo/core/contract';
import { StartersPage } from './starters-page';

const STAYS: SiteStarterSummary = {
  ...{ name: 'stays', label: 'Places to stay', purpose: 'Beds' },
  kinds: [
    { many: 'Places', examples: 9 },
    { many: 'Hosts', examples: 2 },
  ],
};
const SHOPS: SiteStarterSummary = { name: 'shops', label: 'Shops', purpose: 'Bread', kinds: [] };

describe('Beginning with a whole site', () => {
  let fixture: ComponentFixture<StartersPage>;
  let http: HttpTestingController;

  beforeEach(async () => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    http = TestBed.inject(HttpTestingController);
    fixture = TestBed.createComponent(StartersPage);
    fixture.detectChanges();
    http.expectOne('/api/site-starters').flush([STAYS, SHOPS]);
    await fixture.whenStable();
  });

  const text = (): string => (fixture.nativeElement as HTMLElement).textContent;
  const button = (words: string): HTMLButtonElement =>
    [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find((one) =>
      one.textContent.includes(words),
    )!;
  const refusal = { issues: [{ code: 'starter.taken', message: 'There is already a kind at /places here.' }] };

  it('tells what each brings, and makes the pages of the one that is chosen', async () => {
    expect(text()).toContain('Examples: 9 in Places, 2 in Hosts');
    const first = http.expectOne('/api/site-starters/stays/preview');
    expect(text()).toContain('Making its pages');
    button('Shops').click();
    await fixture.whenStable();
    // Nobody waits for the first one any more.
    expect(first.cancelled).toBeTrue();
    http.expectOne('/api/site-starters/shops/preview').flush([]);
    await fixture.whenStable();
    expect(text()).not.toContain('Making its pages');
    expect(button('Shops').getAttribute('aria-pressed')).toBe('true');
  });

  it('says why one cannot be taken, and lets another be tried', async () => {
    http.expectOne('/api/site-starters/stays/preview').flush([]);
    button('Begin with this site').click();
    await fixture.whenStable();
    expect(button('Begin with this site').disabled).toBeTrue();
    http.expectOne('/api/site-starters/stays').flush(refusal, { status: 422, statusText: 'No' });
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelector('[role=alert]')?.textContent).toContain('/places');
    expect(button('Begin with this site').disabled).toBeFalse();
    button('Shops').click();
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).querySelector('[role=alert]')).toBeNull();
    http.expectOne('/api/site-starters/shops/preview').flush([]);
  });

  it('goes on to its kinds once it is taken', async () => {
    http.expectOne('/api/site-starters/stays/preview').flush([]);
    const navigate = spyOn(TestBed.inject(Router), 'navigateByUrl').and.resolveTo(true);
    button('Begin with this site').click();
    http.expectOne('/api/site-starters/stays').flush({ changeId: 3, result: {} });
    await fixture.whenStable();
    expect(navigate).toHaveBeenCalledOnceWith('/shape');
    http.match(() => true);
  });
});
