import type { Type } from '@angular/core';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';

/** A component with its inputs set, as it stands in the document. */
export class Shown<Component> {
  private constructor(private readonly fixture: ComponentFixture<Component>) {}

  static async of<Component>(component: Type<Component>, inputs: Record<string, unknown>): Promise<Shown<Component>> {
    const shown = new Shown(TestBed.createComponent(component));
    await shown.set(inputs);
    return shown;
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get component(): Component {
    return this.fixture.componentInstance;
  }

  async set(inputs: Record<string, unknown>): Promise<void> {
    for (const [name, value] of Object.entries(inputs)) this.fixture.componentRef.setInput(name, value);
    await this.settled();
  }

  /** When all that was asked for stands in the document. */
  async settled(): Promise<void> {
    await this.fixture.whenStable();
  }

  all<Found extends Element = HTMLElement>(selector: string): Found[] {
    return [...this.element.querySelectorAll<Found>(selector)];
  }

  /** The texts of what a selector finds, with single spaces. */
  texts(selector: string): string[] {
    return this.all(selector).map((part) => (part.textContent ?? '').replace(/\s+/g, ' ').trim());
  }

  /** Chooses an option of the list with a label, by the option's value. */
  async choose(label: string, value: string, at = 0): Promise<void> {
    const list = this.all<HTMLSelectElement>(`select[aria-label="${label}"]`)[at]!;
    list.value = value;
    list.dispatchEvent(new Event('change'));
    await this.settled();
  }

  /** Presses the button with a label or a text. */
  async press(name: string, at = 0): Promise<void> {
    const buttons = this.all('button').filter(
      (button) => button.getAttribute('aria-label') === name || button.textContent?.trim() === name,
    );
    buttons[at]!.click();
    await this.settled();
  }
}
