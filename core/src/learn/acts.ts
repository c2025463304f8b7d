/** What a publisher can do about something learned, from where they learned it. */
export type LearnAct =
  /** Make words that found nothing find what others find. */
  | { readonly do: 'add-word'; readonly kindId: number; readonly words: string }
  | { readonly do: 'take-off-facet'; readonly kindId: number; readonly key: string; readonly label: string }
  | { readonly do: 'take-off-sort'; readonly kindId: number; readonly key: string; readonly label: string }
  /** Let a listing leave later, or not at all. */
  | { readonly do: 'keep-longer'; readonly listingId: number; readonly title: string }
  | { readonly do: 'feature'; readonly listingId: number; readonly title: string }
  /** Go to a page of the Desk, or of the site as visitors saw it. */
  | { readonly do: 'go'; readonly on: 'desk' | 'site'; readonly path: string; readonly words: string };

/** Something that the numbers say, and what to do about it. */
export interface LearnStep {
  readonly sentence: string;
  /** The best first; never none. */
  readonly acts: readonly LearnAct[];
}
