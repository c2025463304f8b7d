import { computed, signal } from '@angular/core';
import type { FormDesign, FormStep, Question } from '@plindo/core/design';
import { askableFields, askedField, makeForm, questionName, questionsOf } from '@plindo/core/design';
import type { Field, Kind } from '@plindo/core/structure';
import { DesignHistory } from '../design/design-history';

/** What is chosen in the outline: a step, or a question of one. */
export interface ChosenPart {
  readonly step: number;
  /** Null for the step itself. */
  readonly question: number | null;
}

/** A form of visitors that is being designed: what is chosen of it, and everything that can be done to it. */
export class FormWork {
  readonly history: DesignHistory<FormDesign>;
  readonly form;
  /** Null for the form as a whole. */
  readonly chosen = signal<ChosenPart | null>(null);
  readonly step = computed((): FormStep | null => {
    const chosen = this.chosen();
    return (chosen && this.form().steps[chosen.step]) ?? null;
  });
  readonly question = computed((): Question | null => {
    const at = this.chosen()?.question ?? null;
    return at === null ? null : (this.step()?.questions[at] ?? null);
  });
  /** What could still be asked for. */
  readonly unasked = computed((): readonly Field[] => {
    const asked = new Set(questionsOf(this.form()).map(({ field }) => field));
    return askableFields(this.kind).filter(({ key }) => !asked.has(key));
  });

  constructor(
    readonly kind: Kind,
    begun: FormDesign,
    kept: FormDesign,
  ) {
    this.history = new DesignHistory(begun, kept);
    this.form = this.history.design;
  }

  nameOf(question: Question): string {
    return questionName(question, this.kind);
  }

  typeOf({ field }: Question): Field | undefined {
    return askedField(this.kind, field);
  }

  set<Key extends keyof FormDesign>(key: Key, after: FormDesign[Key]): void {
    const before = this.form()[key];
    this.history.take({ act: 'set', at: [key], before, after, words: 'Changed the form' }, key);
  }

  addStep(): void {
    const at = this.form().steps.length;
    this.put('Added a step', [...this.form().steps, makeForm({ steps: [{ title: 'Further' }] }).steps[0]!]);
    this.chosen.set({ step: at, question: null });
  }

  /** Asks for a field at the end of the chosen step, or of the last one. */
  ask(field: string): void {
    const { steps } = this.form();
    const step = Math.min(this.chosen()?.step ?? steps.length - 1, steps.length - 1);
    if (step < 0) return;
    const [made] = questionsOf(makeForm({ steps: [{ questions: [{ field, isRequired: field === '@title' }] }] }));
    const questions = [...steps[step]!.questions, made!];
    this.putStep(step, { questions }, `Asked for ${this.nameOf(made!)}`);
    this.chosen.set({ step, question: questions.length - 1 });
  }

  changeStep(change: Partial<FormStep>): void {
    const chosen = this.chosen();
    if (chosen)
      this.putStep(chosen.step, change, 'Changed a step', `step ${chosen.step} ${Object.keys(change).join()}`);
  }

  changeQuestion(change: Partial<Question>): void {
    const chosen = this.chosen();
    const question = this.question();
    if (chosen?.question == null || !question) return;
    const questions = this.step()!.questions.map((one, at) => (at === chosen.question ? { ...one, ...change } : one));
    const mark = `question ${question.key} ${Object.keys(change).join()}`;
    this.putStep(chosen.step, { questions }, `Changed ${this.nameOf(question)}`, mark);
  }

  remove({ step, question }: ChosenPart): void {
    const { steps } = this.form();
    this.chosen.set(question === null ? null : { step, question: null });
    if (question === null)
      this.put(
        'Removed a step',
        steps.filter((_, at) => at !== step),
      );
    else
      this.putStep(
        step,
        { questions: steps[step]!.questions.filter((_, at) => at !== question) },
        'Removed a question',
      );
  }

  /** Moves a step or a question one place; a question at the edge of its step goes into the next one. */
  move({ step, question }: ChosenPart, by: 1 | -1): void {
    const steps = this.form().steps.map((one) => ({ ...one, questions: [...one.questions] }));
    if (question === null) {
      const [other, own] = [steps[step + by], steps[step]];
      if (!other || !own) return;
      [steps[step], steps[step + by]] = [other, own];
      this.put('Moved a step', steps);
      this.chosen.set({ step: step + by, question: null });
      return;
    }
    const [moved] = steps[step]!.questions.splice(question, 1);
    const isInside = question + by >= 0 && question + by <= steps[step]!.questions.length;
    const target = isInside ? step : step + by;
    const into = steps[target];
    if (!moved || !into) return;
    const at = isInside ? question + by : by === 1 ? 0 : into.questions.length;
    into.questions.splice(at, 0, moved);
    this.put(`Moved ${this.nameOf(moved)}`, steps);
    this.chosen.set({ step: target, question: at });
  }

  private putStep(step: number, change: Partial<FormStep>, words: string, mark: string | null = null): void {
    const steps = this.form().steps.map((one, at) => (at === step ? { ...one, ...change } : one));
    this.put(words, steps, mark);
  }

  private put(words: string, steps: readonly FormStep[], mark: string | null = null): void {
    // Keys tell steps and questions apart, also those that were just added.
    const after = makeForm({ ...this.form(), steps }).steps;
    this.history.take({ act: 'set', at: ['steps'], before: this.form().steps, after, words }, mark);
  }
}
