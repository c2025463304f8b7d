import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Issue } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import type { DesignHistory } from './design-history';
import type { DesignSession } from './design-session';

/**
 * What designers have in common: the head with undo, redo and save, what is wrong, and three panes. Their insides are given
 * as `[told]`, `[acts]`, `[outline]`, `[live]` and `[settings]`. Ctrl S, Z and Y work everywhere in it.
 */
@Component({
  selector: 'pl-designer-frame',
  imports: [Icon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './designer-frame.html',
  styleUrl: './designer-frame.scss',
})
export class DesignerFrame {
  readonly name = input.required<string>();
  readonly back = input.required<{ readonly label: string; readonly link: readonly (string | number)[] }>();
  readonly liveLabel = input.required<string>();
  readonly outlineLabel = input('Outline');
  readonly history = input.required<DesignHistory<unknown>>();
  readonly issues = input.required<readonly Issue[]>();
  readonly session = input.required<DesignSession>();
  /** Whether visitors see a design of which nothing is kept. */
  readonly isMadeByItself = input(false);
  readonly published = output();
  readonly drafted = output();
  /** Somebody wants to drop the unsaved work, or the draft. */
  readonly startedOver = output();
  readonly draftThrownAway = output();

  constructor() {
    const press = (event: KeyboardEvent): void => this.key(event);
    // Before the Desk's own undo, which takes back what was saved.
    document.addEventListener('keydown', press, true);
    inject(DestroyRef).onDestroy(() => document.removeEventListener('keydown', press, true));
  }

  protected canBePublished(): boolean {
    const { kept, draft, isSaving } = this.session();
    const isOther = this.history().isChanged() || draft() !== undefined || (!kept() && !this.isMadeByItself());
    return isOther && !isSaving() && this.issues().length === 0;
  }

  /** A draft can be kept although something is still wrong with it. */
  protected canBeDrafted(): boolean {
    const { kept, draft, isSaving } = this.session();
    return (this.history().isChanged() || (!kept() && !draft() && !this.isMadeByItself())) && !isSaving();
  }

  private key(event: KeyboardEvent): void {
    const history = this.history();
    const key = event.key.toLowerCase();
    const isCommand = event.ctrlKey || event.metaKey;
    if (!isCommand) return;
    const isTyping = isTextField(event.target);
    if (key === 's') {
      if (this.session().draft()) {
        if (this.canBeDrafted()) this.drafted.emit();
      } else if (this.canBePublished()) this.published.emit();
    } else if (!isTyping && key === 'z' && !event.shiftKey && history.undoWords()) history.undo();
    else if (!isTyping && (key === 'y' || key === 'z') && history.redoWords()) history.redo();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}

/** Whether something has an undo of its own, of what is typed into it. */
function isTextField(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !['checkbox', 'range', 'radio'].includes(target.type);
  return target instanceof HTMLTextAreaElement || (target instanceof HTMLElement && target.isContentEditable);
}
