import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { ExamplesSummary } from '@plindo/core/contract';
import { KindsStore } from '../../shared/kinds-store';
import { ExamplesNote } from './examples-note';

describe('The note about examples', () => {
  let fixture: ComponentFixture<ExamplesNote>;
  let http: HttpTestingController;

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    void TestBed.inject(KindsStore).reload();
    http.expectOne('/api/kinds').flush([]);
  });

  const shown = async (examples: ExamplesSummary): Promise<string> => {
    fixture = TestBed.createComponent(ExamplesNote);
    await fixture.whenStable();
    http.expectOne('/api/examples').flush(examples);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');
  };

  it('counts them, and those that somebody has made their own', async () => {
    expect(await shown({ untouched: 1, changed: 0 })).toContain(
      'One listing is an example that came with the starter.',
    );
    const several = await shown({ untouched: 12, changed: 2 });
    expect(several).toContain('12 listings are examples that came with the starter.');
    expect(several).toContain('2 that you have changed stay.');
    expect(await shown({ untouched: 3, changed: 1 })).toContain('One that you have changed stays.');
  });

  it('is not there when nobody would miss them', async () => {
    expect(await shown({ untouched: 0, changed: 4 })).toBe('');
    expect(await shown({ untouched: 0, changed: 0 })).toBe('');
  });

  it('throws them away once, and asks anew', async () => {
    await shown({ untouched: 12, changed: 0 });
    const button = (fixture.nativeElement as HTMLElement).querySelector('button')!;
    button.click();
    await fixture.whenStable();
    expect(button.disabled).toBeTrue();
    const sent = http.expectOne('/api/examples');
    expect(sent.request.method).toBe('DELETE');
    sent.flush({ changeId: 5, result: { untouched: 0, changed: 0 } });
    http.expectOne('/api/kinds').flush([]);
    await fixture.whenStable();
    http.expectOne('/api/examples').flush({ untouched: 0, changed: 0 });
    await fixture.whenStable();
    expect((fixture.nativeElement as HTMLElement).textContent.trim()).toBe('');
  });
});
