import type { GuidePage } from '@plindo/api';
import { pageFor } from './guide-pages';

const page = (name: string, ...explains: string[]): GuidePage => ({ name, title: name, explains, words: '' });

describe('The page of the guide for a place', () => {
  const pages = [page('table', '/fill/*'), page('problems', '/fill/problems'), page('form', '/fill/*/*')];

  it('is the one that names it most exactly', () => {
    expect(pageFor('/fill/12?open=4', pages)?.name).toBe('table');
    expect(pageFor('/fill/problems', pages)?.name).toBe('problems');
    expect(pageFor('/fill/12/new#x', pages)?.name).toBe('form');
  });

  it('is none where no page explains it', () => {
    expect(pageFor('/run', pages)).toBeUndefined();
  });
});
