import { TestBed } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import { CatalogApi } from '@plindo/api';
import { of } from 'rxjs';
import { UndoStack } from './undo-stack';

describe('The changes that can be undone', () => {
  let stack: UndoStack;
  let undone: number[];
  let shownAnew: string[];

  beforeEach(() => {
    undone = [];
    shownAnew = [];
    // Undoing change 1 is change 101, undoing that is change 201.
    const undo = (changeId: number) => (undone.push(changeId), of({ changeId: changeId + 100, result: {} }));
    TestBed.configureTestingModule({ providers: [provideRouter([]), { provide: CatalogApi, useValue: { undo } }] });
    stack = TestBed.inject(UndoStack);
    for (const changeId of [1, 2]) {
      stack.push({ sentence: `Change ${changeId}`, changeId, after: () => shownAnew.push(`page of ${changeId}`) });
    }
  });

  it('are undone last first, and done again', () => {
    stack.undo()?.subscribe();
    expect([undone, stack.next()?.sentence, stack.nextAgain()?.sentence]).toEqual([[2], 'Change 1', 'Change 2']);
    stack.redo()?.subscribe();
    stack.undo()?.subscribe();
    expect(undone).toEqual([2, 102, 202]);
    expect(shownAnew).toEqual(['page of 2', 'page of 2', 'page of 2']);
  });

  it('cannot be done again after another change', () => {
    stack.undo()?.subscribe();
    stack.push({ sentence: 'Change 3', changeId: 3, after: () => undefined });
    expect(stack.redo()).toBeNull();
  });

  it('leave a page alone that is no longer there and tell the one that is, but where the notice is still shown', () => {
    spyOnProperty(TestBed.inject(Router), 'url').and.returnValue('/elsewhere');
    stack.undo()?.subscribe();
    expect([undone, shownAnew, stack.revision()]).toEqual([[2], [], 1]);
    stack.undoShown(1)?.subscribe();
    expect([undone, shownAnew, stack.revision()]).toEqual([[2, 1], ['page of 1'], 1]);
  });
});
