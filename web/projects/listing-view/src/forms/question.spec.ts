import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import type { Answer, FormFault, QuestionModel } from '@plindo/core/page';
import { NO_ANSWER } from '@plindo/core/page';
import { Shown } from '../../../../harness/shown';
import type { KeptAnswers } from './form-memory';
import { fillForm } from './form-memory';
import { QuestionView } from './question';

const answered = (text: string): Answer => ({ ...NO_ANSWER, texts: [text] });
const inside = (field: string, label: string): QuestionModel => ({
  ...{ field, label, help: '', isRequired: false, isAskedAbout: false, isHidden: false, answer: NO_ANSWER },
  control: { as: 'line', input: 'text', isNumber: false, before: '', after: '' },
});
const tariff: QuestionModel = {
  ...inside('tariff', 'Tariff'),
  control: { as: 'entries', most: 4, questions: [inside('season', 'Season'), inside('price', 'Price')] },
  answer: { ...NO_ANSWER, entries: [{ season: answered('Winter'), price: answered('120') }] },
};

@Component({
  selector: 'pl-question-host',
  imports: [QuestionView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<form>
    <pl-question
      [question]="question()"
      action="/forms/1"
      [interactive]="interactive()"
      [faults]="faults()"
      [kept]="kept()"
    />
  </form>`,
})
class QuestionHost {
  readonly question = signal(tariff);
  readonly interactive = signal(true);
  readonly faults = signal<readonly FormFault[]>([]);
  readonly kept = signal<KeptAnswers | null>(null);
}

describe('A question for rows', () => {
  let shown: Shown<QuestionHost>;

  beforeEach(async () => (shown = await Shown.of(QuestionHost, {})));
  const form = (): HTMLFormElement => shown.all<HTMLFormElement>('form')[0]!;
  const answers = (): string[] => [...new FormData(form())].map(([name, value]) => `${name}=${value as string}`);

  it('has what is answered, and empty rows below it, also where no scripts run', async () => {
    shown.component.interactive.set(false);
    await shown.settled();
    const empty = ['tariff.1.season=', 'tariff.1.price=', 'tariff.2.season=', 'tariff.2.price='];
    expect(answers()).toEqual(['tariff.0.season=Winter', 'tariff.0.price=120', ...empty]);
    expect(shown.all('button')).toEqual([]);
  });

  it('takes more rows up to their most, and keeps what is typed when one is removed', async () => {
    shown.all<HTMLInputElement>('input')[2]!.value = 'Spring';
    await shown.press('Add a row');
    expect(shown.texts('legend').slice(1)).toEqual(['Row 1', 'Row 2', 'Row 3', 'Row 4']);
    expect(shown.all<HTMLButtonElement>('.add')[0]!.disabled).toBeTrue();
    await shown.press('Remove Row 1');
    expect(answers().slice(0, 2)).toEqual(['tariff.0.season=Spring', 'tariff.0.price=']);
    expect(shown.texts('legend').slice(1)).toEqual(['Row 1', 'Row 2', 'Row 3']);
  });

  it('has as many rows as what was typed before needs', async () => {
    const kept = new Map([['tariff.3.season', ['Easter']]]);
    shown.component.kept.set(kept);
    await shown.settled();
    fillForm(form(), kept);
    expect(answers()).toContain('tariff.3.season=Easter');
  });

  it('tells what is wrong in the row where it is, or above all of them', async () => {
    shown.component.faults.set([
      { field: 'tariff.1.price', message: 'Price is no number.' },
      { field: 'tariff', message: 'Tariff has too many rows.' },
    ]);
    await shown.settled();
    expect(shown.texts('.fault')).toEqual(['Tariff has too many rows.', 'Price is no number.']);
    expect(shown.all<HTMLInputElement>('[aria-invalid]').map(({ name }) => name)).toEqual(['tariff.1.price']);
  });
});
