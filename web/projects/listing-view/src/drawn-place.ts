import type { ComponentRef, Type } from '@angular/core';
import { ApplicationRef, ElementRef, EnvironmentInjector, Injector, createComponent, inject } from '@angular/core';

type Inputs = Readonly<Record<string, unknown>>;

/**
 * An element in which a component is drawn when that is wanted, in the place of the HTML that came from the server, or on
 * the server only to have its HTML. To be made where `inject` can be called.
 */
export class DrawnPlace<View> {
  readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly environmentInjector = inject(EnvironmentInjector);
  private readonly elementInjector = inject(Injector);
  private readonly app = inject(ApplicationRef);
  private drawn: { readonly type: Type<View>; readonly view: ComponentRef<View> } | null = null;

  get isDrawn(): boolean {
    return this.drawn !== null;
  }

  /** The HTML of a component, with its own element, to be sent and never drawn again. */
  htmlOf(type: Type<View>, inputs: Inputs): string {
    const view = this.made(type, inputs);
    const { outerHTML } = view.location.nativeElement as HTMLElement;
    view.destroy();
    return withoutMarks(outerHTML);
  }

  /** Draws a component, or tells one of the same type that is drawn already; `begin` is told of a new one. */
  show(type: Type<View>, inputs: Inputs, begin?: (view: View) => void): void {
    if (this.drawn?.type === type) return setInputs(this.drawn.view, inputs);
    const focused = wayTo(this.element.ownerDocument.activeElement, this.element);
    this.destroy();
    const view = this.made(type, inputs);
    begin?.(view.instance);
    // So that what happens in it is seen to.
    this.app.attachView(view.hostView);
    this.drawn = { type, view };
    this.element.replaceChildren(view.location.nativeElement as HTMLElement);
    // Whoever was at something in it stays there.
    if (focused) (at(this.element, focused) as HTMLElement | undefined)?.focus({ preventScroll: true });
  }

  destroy(): void {
    this.drawn?.view.destroy();
    this.drawn = null;
  }

  private made(type: Type<View>, inputs: Inputs): ComponentRef<View> {
    const { environmentInjector, elementInjector } = this;
    const view = createComponent(type, { environmentInjector, elementInjector });
    setInputs(view, inputs);
    return view;
  }
}

/** HTML without the empty comments at which Angular draws what changes: a fifth of a card, in which nothing changes. */
export function withoutMarks(html: string): string {
  return html.replaceAll('<!---->', '');
}

function setInputs(view: ComponentRef<unknown>, inputs: Inputs): void {
  for (const [name, value] of Object.entries(inputs)) view.setInput(name, value);
  view.changeDetectorRef.detectChanges();
}

/** The places of the elements that lead from one to another inside it; null for one that isn't inside. */
function wayTo(element: Element | null, from: Element): number[] | null {
  if (!element || element === from || !from.contains(element)) return null;
  const way: number[] = [];
  for (let one: Element = element; one !== from; one = one.parentElement!) {
    way.unshift([...one.parentElement!.children].indexOf(one));
  }
  return way;
}

function at(from: Element, way: readonly number[]): Element | undefined {
  return way.reduce<Element | undefined>((one, place) => one?.children[place], from);
}
