import { TestBed } from '@angular/core/testing';
import { StarterMenu } from './starter-menu';

describe('The menu of starters', () => {
  it('hands over a file that is chosen, and can be given the same one again', () => {
    const fixture = TestBed.createComponent(StarterMenu);
    fixture.componentRef.setInput('offers', []);
    const chosen: string[] = [];
    fixture.componentInstance.fileChosen.subscribe((file) => chosen.push(file.name));
    fixture.detectChanges();
    const input = (fixture.nativeElement as HTMLElement).querySelector('input')!;
    for (const name of ['card.json', 'card.json']) {
      const files = new DataTransfer();
      files.items.add(new File(['{}'], name));
      input.files = files.files;
      input.dispatchEvent(new Event('change'));
      expect(input.value).toBe('');
    }
    expect(chosen).toEqual(['card.json', 'card.json']);
  });
});
