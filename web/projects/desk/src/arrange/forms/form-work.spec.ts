import { makeForm } from '@plindo/core/design';
import { kindSummary } from '../../../../../harness/models';
import { FormWork } from './form-work';

describe('A form of visitors that is being designed', () => {
  const { kind } = kindSummary();
  const field = kind.fields[0]!.key;
  const form = makeForm({
    name: 'Tell us',
    steps: [{ title: 'First', questions: [{ field: '@title' }] }, { title: 'Second' }],
  });
  let work: FormWork;
  beforeEach(() => (work = new FormWork(kind, form, form)));

  const asked = (): string[][] => work.form().steps.map(({ questions }) => questions.map((one) => one.field));

  it('asks for a field at the end of the chosen step, once, and every step can be taken back', () => {
    work.chosen.set({ step: 0, question: 0 });
    work.ask(field);
    expect(asked()).toEqual([['@title', field], []]);
    expect(work.unasked().map(({ key }) => key)).not.toContain(field);
    work.changeQuestion({ label: 'What?', isRequired: true });
    expect([work.question()?.label, work.nameOf(work.question()!)]).toEqual(['What?', 'What?']);
    work.history.undo();
    work.history.undo();
    expect(asked()).toEqual([['@title'], []]);
  });

  it('moves questions within and across steps, and no further than the edges', () => {
    work.chosen.set({ step: 0, question: null });
    work.ask(field);
    work.move({ step: 0, question: 1 }, -1);
    expect(asked()).toEqual([[field, '@title'], []]);
    work.move({ step: 0, question: 0 }, -1);
    expect(asked()).toEqual([[field, '@title'], []]);
    work.move({ step: 0, question: 1 }, 1);
    expect(asked()).toEqual([[field], ['@title']]);
    expect(work.chosen()).toEqual({ step: 1, question: 0 });
    work.move({ step: 1, question: null }, -1);
    expect(work.form().steps.map(({ title }) => title)).toEqual(['Second', 'First']);
  });

  it('loses a question or a whole step, and gives each part a key of its own', () => {
    work.addStep();
    work.addStep();
    const keys = work.form().steps.map(({ key }) => key);
    expect(new Set(keys).size).toBe(4);
    work.remove({ step: 0, question: 0 });
    work.remove({ step: 3, question: null });
    expect(asked()).toEqual([[], [], []]);
    expect(work.chosen()).toBeNull();
  });
});
