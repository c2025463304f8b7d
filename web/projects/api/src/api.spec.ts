import { HttpErrorResponse, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { CatalogApi } from './catalog-api';
import { issuesOf, sentenceOf } from './problems';
import { SessionApi, csrfInterceptor } from './session-api';

describe('The services of the API', () => {
  let http: HttpTestingController;
  const session = {
    user: null,
    csrf: 'secret',
    needsStep: false,
    needsOwner: false,
    site: { name: '', tagline: '', locale: 'en', zone: 'UTC' },
  };

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(withInterceptors([csrfInterceptor])), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    TestBed.inject(SessionApi).load().subscribe();
    http.expectOne('/api/session').flush(session);
  });
  afterEach(() => http.verify());

  it('send the session’s token with changes and with nothing else', () => {
    const api = TestBed.inject(CatalogApi);
    api.kinds().subscribe();
    api.undo(7).subscribe();
    expect(http.expectOne('/api/kinds').request.headers.has('X-CSRF-Token')).toBeFalse();
    expect(http.expectOne('/api/changes/7/undo').request.headers.get('X-CSRF-Token')).toBe('secret');
  });

  it('ask for a window of the table with what is given only', () => {
    const ask = {
      filters: [],
      text: '',
      status: null,
      sort: 'field:price',
      direction: 'down',
      offset: 100,
      limit: 50,
    } as const;
    TestBed.inject(CatalogApi).listings(3, ask).subscribe();
    const { request } = http.expectOne(({ url }) => url === '/api/kinds/3/listings');
    expect(request.params.toString()).toBe('sort=field:price&direction=down&offset=100&limit=50');
  });

  it('send the version that was seen with each change of a listing', () => {
    TestBed.inject(CatalogApi).changeListing({ id: 5, version: 2 }, { featured: true }).subscribe();
    const { request } = http.expectOne('/api/listings/5');
    expect([request.method, request.body]).toEqual(['PATCH', { featured: true, version: 2 }]);
  });
});

describe('A refusal of the server', () => {
  it('is told in its own sentences', () => {
    const issues = [{ code: 'listing.title', message: 'A listing needs a title.', field: 'title' }];
    expect(issuesOf(new HttpErrorResponse({ status: 422, error: { issues } }))).toEqual(issues as never);
  });

  it('has a sentence of ours where there is none', () => {
    expect(sentenceOf(new HttpErrorResponse({ status: 0 }))).toContain('cannot be reached. Nothing was lost');
    expect(sentenceOf(new Error('x'))).toBe('Something went wrong. Try again.');
  });
});
