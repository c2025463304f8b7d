import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { VisitorApi } from './visitor-api';

describe('What pages of the site ask for', () => {
  const answers = (status: number, body: unknown): jasmine.Spy =>
    spyOn(window, 'fetch').and.resolveTo(new Response(JSON.stringify(body), { status }));

  it('goes out with what was typed, whatever it holds, and comes back as it is', async () => {
    const asked = answers(200, ['Kessel & Sons']);
    const api = TestBed.inject(VisitorApi);
    expect(await firstValueFrom(api.places('a&b=c'))).toEqual(['Kessel & Sons']);
    expect(asked.calls.mostRecent().args[0]).toBe('/api/places?q=a%26b%3Dc');
  });

  it('is an error where the server refuses it', async () => {
    answers(503, {});
    await expectAsync(firstValueFrom(TestBed.inject(VisitorApi).page('/berths'))).toBeRejectedWithError(/503/);
  });
});
