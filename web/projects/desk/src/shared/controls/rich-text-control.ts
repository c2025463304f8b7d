import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Icon } from '@plindo/listing-view';
import { Editor } from '@tiptap/core';
import StarterKit from '@tiptap/starter-kit';

interface Tool {
  readonly icon: string;
  readonly label: string;
  readonly run: (editor: Editor) => void;
  readonly isOn: (editor: Editor) => boolean;
}

const TOOLS: readonly Tool[] = [
  {
    icon: 'format_bold',
    label: 'Bold',
    run: (e) => e.chain().focus().toggleBold().run(),
    isOn: (e) => e.isActive('bold'),
  },
  {
    icon: 'format_italic',
    label: 'Italic',
    run: (e) => e.chain().focus().toggleItalic().run(),
    isOn: (e) => e.isActive('italic'),
  },
  {
    icon: 'title',
    label: 'Heading',
    run: (e) => e.chain().focus().toggleHeading({ level: 2 }).run(),
    isOn: (e) => e.isActive('heading'),
  },
  {
    icon: 'format_list_bulleted',
    label: 'List',
    run: (e) => e.chain().focus().toggleBulletList().run(),
    isOn: (e) => e.isActive('bulletList'),
  },
  {
    icon: 'format_list_numbered',
    label: 'Numbered list',
    run: (e) => e.chain().focus().toggleOrderedList().run(),
    isOn: (e) => e.isActive('orderedList'),
  },
  {
    icon: 'format_quote',
    label: 'Quote',
    run: (e) => e.chain().focus().toggleBlockquote().run(),
    isOn: (e) => e.isActive('blockquote'),
  },
  { icon: 'link', label: 'Link', run: setLink, isOn: (e) => e.isActive('link') },
  { icon: 'undo', label: 'Undo', run: (e) => e.chain().focus().undo().run(), isOn: () => false },
  { icon: 'redo', label: 'Redo', run: (e) => e.chain().focus().redo().run(), isOn: () => false },
];

function setLink(editor: Editor): void {
  if (editor.isActive('link')) {
    editor.chain().focus().unsetLink().run();
    return;
  }
  const href = prompt('Web address of the link', 'https://');
  if (href && /^(https?:\/\/|mailto:|tel:)./i.test(href)) editor.chain().focus().setLink({ href }).run();
}

/** Text with headings, lists and links. */
@Component({
  selector: 'pl-rich-text-control',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="label">{{ label() }}</p>
    <div class="frame">
      <div class="tools" role="toolbar" [attr.aria-label]="'Tools for ' + label()">
        @for (tool of tools; track tool.label) {
          <button
            type="button"
            [attr.aria-label]="tool.label"
            [title]="tool.label"
            [attr.aria-pressed]="isOn(tool)"
            (click)="run(tool)"
          >
            <pl-icon [name]="tool.icon" />
          </button>
        }
      </div>
      <div #surface class="surface rich-text"></div>
    </div>
  `,
  styleUrl: './rich-text-control.scss',
})
export class RichTextControl {
  readonly label = input.required<string>();
  readonly html = input('');
  readonly htmlChange = output<string>();

  protected readonly tools = TOOLS;
  private readonly surface = viewChild.required<ElementRef<HTMLElement>>('surface');
  private readonly editor = signal<Editor | null>(null);
  /** Goes up at every move of the caret, so that the tools show what is on there. */
  private readonly moves = signal(0);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.editor()?.destroy());
    effect(() => {
      const element = this.surface().nativeElement;
      if (!this.editor()) this.editor.set(this.open(element));
    });
    effect(() => {
      const html = this.html();
      const editor = this.editor();
      if (editor && !editor.isFocused && editor.getHTML() !== html)
        editor.commands.setContent(html, { emitUpdate: false });
    });
  }

  private open(element: HTMLElement): Editor {
    return new Editor({
      element,
      // Its styles stand in this component, as the page allows no others.
      injectCSS: false,
      content: this.html(),
      extensions: [StarterKit.configure({ heading: { levels: [2, 3, 4] }, link: { openOnClick: false } })],
      editorProps: { attributes: { role: 'textbox', 'aria-multiline': 'true', 'aria-label': this.label() } },
      onUpdate: ({ editor }) => this.htmlChange.emit(editor.isEmpty ? '' : editor.getHTML()),
      onTransaction: () => this.moves.update((moves) => moves + 1),
    });
  }

  protected run(tool: Tool): void {
    const editor = this.editor();
    if (editor) tool.run(editor);
  }

  protected isOn(tool: Tool): boolean {
    this.moves();
    const editor = this.editor();
    return editor !== null && tool.isOn(editor);
  }
}
