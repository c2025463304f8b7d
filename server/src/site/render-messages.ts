/** What the server tells a thread that renders: an address to render, or what that asked for, as JSON. */
export type ToRenderer =
  | { readonly kind: 'render'; readonly id: number; readonly url: string }
  | { readonly kind: 'model'; readonly id: number; readonly model: string | null };

/** What the thread answers: of which address it needs the model, or what it rendered. */
export type FromRenderer =
  | { readonly kind: 'ask'; readonly id: number; readonly url: string }
  | { readonly kind: 'rendered'; readonly id: number; readonly page: RenderedPage }
  | { readonly kind: 'failed'; readonly id: number; readonly reason: string };

export interface RenderedPage {
  readonly status: number;
  readonly html: string;
}
