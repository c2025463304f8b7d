import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { readContext } from '@plindo/core/structure';
import { Reading } from '../reading';
import { MomentInput } from './moment-input';
import type { MomentControl } from './moment-text';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MomentInput],
  template: `<pl-moment-input
    label="Starts"
    [control]="control()"
    [value]="value()"
    (valueChange)="value.set($event)"
  />`,
})
class Host {
  readonly control = signal<MomentControl>('date-time');
  readonly value = signal('');
}

async function shown(
  locale: string,
  control: MomentControl,
  value: string,
): Promise<{ host: Host; inputs: HTMLInputElement[]; type(at: number, text: string): Promise<void> }> {
  const context = readContext({ locale, zone: 'Europe/London', nowInMs: Date.UTC(2026, 10, 30) });
  TestBed.configureTestingModule({
    providers: [provideZonelessChangeDetection(), { provide: Reading, useValue: { context: () => context } }],
  });
  const fixture = TestBed.createComponent(Host);
  fixture.componentInstance.control.set(control);
  fixture.componentInstance.value.set(value);
  await fixture.whenStable();
  const inputs = [...(fixture.nativeElement as HTMLElement).querySelectorAll('input')];
  const type = async (at: number, text: string): Promise<void> => {
    inputs[at]!.value = text;
    inputs[at]!.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  return { host: fixture.componentInstance, inputs, type };
}

describe('The input of moments', () => {
  it('shows and reads days as the site writes them', async () => {
    const { host, inputs, type } = await shown('en-GB', 'date', '2026-03-02');
    expect(inputs[0]!.value).toBe('02/03/2026');
    await type(0, '5/4/2026');
    expect(host.value()).toBe('2026-04-05');
    expect(inputs[0]!.value).toBe('5/4/2026');
    inputs[0]!.dispatchEvent(new Event('change'));
    await new Promise((done) => setTimeout(done));
    expect(host.value()).toBe('2026-04-05');
  });

  it('has months first where the site writes them first', async () => {
    const { host, inputs, type } = await shown('en-US', 'date', '2026-03-02');
    expect(inputs[0]!.value).toBe('3/2/2026');
    await type(0, '5/4/2026');
    expect(host.value()).toBe('2026-05-04');
  });

  it('asks for a day and a time apart, and keeps what it cannot read as it was typed', async () => {
    const { host, inputs, type } = await shown('en-GB', 'date-time', '2026-03-02T09:30');
    expect(inputs.map(({ value }) => value)).toEqual(['02/03/2026', '09:30']);
    await type(1, '18:05');
    expect(host.value()).toBe('2026-03-02T18:05');
    await type(0, 'soon');
    expect(host.value()).toBe('soonT18:05');
    expect(inputs[0]!.value).toBe('soon');
    await type(0, '');
    await type(1, '');
    expect(host.value()).toBe('');
  });
});
