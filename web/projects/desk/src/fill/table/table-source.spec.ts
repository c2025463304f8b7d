import type { CatalogApi } from '@plindo/api';
import { FIRST_ASK } from '@plindo/api';
import type { Listing } from '@plindo/core/listings';
import { of, Subject } from 'rxjs';
import { TableSource } from './table-source';

const ASK = FIRST_ASK;

describe('The rows of a long table', () => {
  it('are fetched in windows, each once', () => {
    const offsets: number[] = [];
    const listings = (_: number, { offset }: { offset: number }) => {
      offsets.push(offset);
      return of({ total: 20_000, offset, listings: [{ id: offset } as Listing] });
    };
    const source = new TableSource({ listings } as unknown as CatalogApi, 1, ASK);
    source.need(0, 30);
    source.need(10, 60);
    source.need(950, 1010);
    expect(offsets).toEqual([0, 900, 1000]);
    expect([source.total(), source.rowAt(900)?.id, source.rowAt(5)]).toEqual([20_000, 900, undefined]);
  });

  it('are not mixed with the answer to an earlier question', () => {
    const answers: Subject<unknown>[] = [];
    const listings = (): Subject<unknown> => answers[answers.push(new Subject()) - 1]!;
    const source = new TableSource({ listings } as unknown as CatalogApi, 1, ASK);
    source.restart();
    source.restart({ ...ASK, text: 'quay' });
    expect(source.rowAt(0)).toBeUndefined();
    answers[0]!.next({ total: 9, offset: 0, listings: [{ id: 1 }] });
    answers[1]!.next({ total: 1, offset: 0, listings: [{ id: 2 }] });
    expect([source.total(), source.rowAt(0)?.id]).toEqual([1, 2]);
  });

  it('stay in view until the first new ones are there', () => {
    const answers: Subject<unknown>[] = [];
    const listings = (): Subject<unknown> => answers[answers.push(new Subject()) - 1]!;
    const source = new TableSource({ listings } as unknown as CatalogApi, 1, ASK);
    source.need(0, 1);
    answers[0]!.next({ total: 2, offset: 0, listings: [{ id: 1 }, { id: 2 }] });
    source.restart();
    expect(source.rowAt(1)?.id).toBe(2);
    answers[1]!.next({ total: 1, offset: 0, listings: [{ id: 3 }] });
    expect([source.rowAt(0)?.id, source.rowAt(1)]).toEqual([3, undefined]);
  });
});
