/** One of the things that a setting can be chosen from. */
export interface Option {
  readonly key: string | number;
  readonly label: string;
}

interface Asked<Settings> {
  readonly label: string;
  /** What has to be known to answer, where the label does not say it. */
  readonly hint?: string;
  /** Whether it stands behind "More". */
  readonly isMore?: boolean;
  /** Whether the other settings leave it open; always where it is left out. */
  isAsked?(settings: Settings): boolean;
}

/**
 * How people are asked for a setting: one or several of some options, yes or no, a number, words, a text with values, slots, a
 * picture, buttons. The options can depend on the page and on the other settings.
 */
export type Control<Settings, Scene> = Asked<Settings> &
  (
    | { readonly as: 'choice' | 'choices'; options(scene: Scene, settings: Settings): readonly Option[] }
    | { readonly as: 'number'; readonly least: number; readonly greatest: number; readonly unit: string }
    | { readonly as: 'line' | 'lines'; readonly longest: number }
    | { readonly as: 'yes-no' | 'rich-text' | 'picture' | 'text' | 'buttons' }
    | { readonly as: 'slots'; readonly shows: 'the page’s listing' | 'what is listed' }
  );

/** The controls of all settings of a form. */
export type Controls<Settings, Scene> = { readonly [Name in keyof Settings]: Control<Settings, Scene> };

/** Options with the words that people read for them. */
export function optionsOf<Key extends string>(words: Readonly<Record<Key, string>>): () => readonly Option[] {
  const options = Object.entries<string>(words).map(([key, label]) => ({ key, label }));
  return () => options;
}
