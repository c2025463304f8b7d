import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { FormFault, QuestionModel } from '@plindo/core/page';
import { isAbout } from '@plindo/core/values';
import { sayOnPage } from '../page-words';
import { EntriesQuestion } from './entries-question';
import { rowsKept } from './form-memory';
import type { KeptAnswers } from './form-memory';
import { LinkQuestion } from './link-question';
import { PictureQuestion } from './picture-question';
import { PlaceQuestion } from './place-question';

/** Up to so many options stand side by side as radio buttons; more are a drop-down. */
const MOST_RADIOS = 5;

/** One question of a form, with the control that its field asks for. All controls are plain HTML and work without scripts. */
@Component({
  selector: 'pl-question',
  imports: [EntriesQuestion, LinkQuestion, NgTemplateOutlet, PictureQuestion, PlaceQuestion],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './question.html',
})
export class QuestionView {
  readonly question = input.required<QuestionModel>();
  /** Where the form is sent to. */
  readonly action = input.required<string>();
  readonly interactive = input(false);
  /** What is wrong with the answers of the form. */
  readonly faults = input<readonly FormFault[]>([]);
  /** What was typed before and is put back into the form; null for nothing. */
  readonly kept = input<KeptAnswers | null>(null);
  /** A picture or a listing was added or removed, of which the browser itself tells nothing. */
  readonly touched = output();

  protected readonly say = sayOnPage();
  protected readonly id = computed(() => `q-${this.question().field.replace(/\W/g, '_')}`);
  protected readonly text = computed(() => this.question().answer.texts[0] ?? '');
  protected readonly hasRadios = computed(() => {
    const { control } = this.question();
    return control.as === 'one' && control.options.length <= MOST_RADIOS;
  });
  /** Whether one label names the one control, or a legend names several. */
  protected readonly isOne = computed(() => {
    const { as } = this.question().control;
    return as === 'line' || as === 'text' || as === 'file' || (as === 'one' && !this.hasRadios());
  });
  /** What is wrong with the answer; '' for nothing. Questions inside it tell their own. */
  protected readonly fault = computed(() => {
    const { field, control } = this.question();
    const isOwn = (place: string): boolean => (control.as === 'entries' ? place === field : isAbout(place, field));
    return this.faults().find((one) => isOwn(one.field))?.message ?? '';
  });
  protected readonly rows = computed(() => rowsKept(this.kept(), this.question().field));
  protected readonly describedBy = computed(() => {
    const help = this.question().help === '' ? [] : [`${this.id()}-help`];
    return [...help, ...(this.fault() === '' ? [] : [`${this.id()}-fault`])].join(' ') || null;
  });

  protected has(value: string): boolean {
    return this.question().answer.texts.includes(value);
  }

  protected part(name: string): string {
    return this.question().answer.parts[name] ?? '';
  }
}
