import { EnvironmentInjector, createEnvironmentInjector, runInInjectionContext } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import { PausedQuestion } from './paused-question';

const PAUSE_IN_MS = 200;

describe('A question that waits for a pause', () => {
  let asked: string[];
  let answers: Map<string, Subject<string>>;
  let told: string[];
  let owner: EnvironmentInjector;
  let question: PausedQuestion<string, string>;

  beforeEach(() => {
    jasmine.clock().install();
    [asked, answers, told] = [[], new Map(), []];
    owner = createEnvironmentInjector([], TestBed.inject(EnvironmentInjector));
    question = runInInjectionContext(owner, () => {
      const ask = (text: string): Subject<string> => {
        asked.push(text);
        answers.set(text, new Subject());
        return answers.get(text)!;
      };
      const next = (answer: string): void => void told.push(answer);
      return new PausedQuestion(ask, { next, error: (error) => told.push(`refused: ${String(error)}`) });
    });
  });
  afterEach(() => jasmine.clock().uninstall());

  it('asks for what was typed last', () => {
    for (const text of ['q', 'qu', 'qua']) {
      question.ask(text);
      jasmine.clock().tick(PAUSE_IN_MS - 1);
    }
    expect(asked).toEqual([]);
    jasmine.clock().tick(1);
    expect(asked).toEqual(['qua']);
  });

  it('lets late answers go, from the moment on at which something else is typed', () => {
    question.ask('quay');
    jasmine.clock().tick(PAUSE_IN_MS);
    question.ask('buoy');
    answers.get('quay')!.next('of quay');
    jasmine.clock().tick(PAUSE_IN_MS);
    answers.get('buoy')!.next('of buoy');
    expect(told).toEqual(['of buoy']);
  });

  it('goes on after a refusal', () => {
    question.ask('quay');
    jasmine.clock().tick(PAUSE_IN_MS);
    answers.get('quay')!.error('no');
    question.ask('buoy');
    jasmine.clock().tick(PAUSE_IN_MS);
    answers.get('buoy')!.next('of buoy');
    expect(told).toEqual(['refused: no', 'of buoy']);
  });

  it('ends with who made it', () => {
    question.ask('quay');
    owner.destroy();
    jasmine.clock().tick(PAUSE_IN_MS);
    expect(asked).toEqual([]);
  });
});
