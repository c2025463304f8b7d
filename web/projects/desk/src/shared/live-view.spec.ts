import { provideHttpClient } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { LiveView } from './live-view';

describe('The live view', () => {
  it('is as wide as its edge is dragged, in steps and between bounds', async () => {
    TestBed.configureTestingModule({ providers: [provideHttpClient()] });
    const fixture = TestBed.createComponent(LiveView);
    fixture.componentRef.setInput('kindId', null);
    fixture.componentRef.setInput('isAnyWidth', true);
    await fixture.whenStable();
    const view = fixture.nativeElement as HTMLElement;
    view.style.inlineSize = '2000px';
    view.querySelector<HTMLElement>('button')!.click();
    await fixture.whenStable();
    const edge = view.querySelector<HTMLElement>('.edge')!;
    edge.setPointerCapture = () => undefined;
    const width = (): string => view.querySelector<HTMLElement>('.stage')!.style.inlineSize;
    expect(width()).toBe('390px');
    const move = async (type: string, clientX: number, buttons = 1): Promise<void> => {
      edge.dispatchEvent(new PointerEvent(type, { clientX, buttons, pointerId: 1 }));
      await fixture.whenStable();
    };
    await move('pointerdown', 700);
    await move('pointermove', 752);
    // Both of its edges move.
    expect(width()).toBe('490px');
    await move('pointermove', 100);
    expect(width()).toBe('320px');
    await move('pointermove', 760, 0);
    expect(width()).toBe('320px');
  });
});
