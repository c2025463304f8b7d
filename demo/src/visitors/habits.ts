/** From Monday on: people plan on Thursdays and Fridays, and look from the boat at weekends. */
export const SHARE_OF_WEEKDAY = [0.7, 0.7, 0.8, 1.1, 1.4, 1.5, 1.2];

/** From midnight on: a little at noon, most in the evening. */
export const SHARE_OF_HOUR = [1, 0, 0, 0, 0, 1, 2, 4, 5, 5, 5, 6, 8, 6, 5, 5, 5, 6, 8, 10, 12, 11, 7, 3];

/** Where visitors come from, each with its share; '' for no other site. */
export const COMES_FROM: readonly (readonly [host: string, share: number])[] = [
  ['', 50],
  ['search.example', 30],
  ['sailing-club.example', 8],
  ['harbourmaster.example', 6],
  ['merrow-news.example', 4],
  ['boats-and-tides.example', 2],
];

export const BROWSERS = [
  'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
  'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36',
  'Mozilla/5.0 (iPhone; CPU iPhone OS 18_6 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.6 Mobile/15E148 Safari/604.1',
  'Mozilla/5.0 (Linux; Android 15; Pixel 9) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36',
];

export const ROBOTS = [
  'Mozilla/5.0 (compatible; Searchbot/2.1; +http://search.example/bot.html)',
  'curl/8.5.0',
  'Mozilla/5.0 (compatible; Merrowspider/1.0)',
];

/** What people do with the listings of a kind, by the address of its list. */
export interface Habit {
  readonly list: string;
  /** Of all visits. */
  readonly share: number;
  /** Words that are searched, with their shares; some are mistyped, some mean something that nobody wrote down. */
  readonly searches: readonly (readonly [words: string, share: number])[];
  /** Parts of an address that choose a value in a facet, or a range, with their shares. */
  readonly filters: readonly (readonly [facet: string, value: string, share: number])[];
  readonly sorts: readonly (readonly [key: string, share: number])[];
}

export const HABITS: readonly Habit[] = [
  {
    list: 'berths',
    share: 50,
    searches: [
      ...([
        ['pontoon', 10],
        ['jetty', 4],
        ['shore power', 6],
        ['swinging buoy', 3],
        ['hammerhead', 2],
      ] as const),
      ...([
        ['ponton', 3],
        ['electrcity', 2],
        ['liveaboard', 4],
        ['catamaran', 3],
        ['dogs', 2],
      ] as const),
    ],
    filters: [
      ...([
        ['type', 'finger-pontoon', 12],
        ['type', 'swinging-buoy', 6],
        ['type', 'quay-wall', 4],
      ] as const),
      ...([
        ['facility', 'water', 9],
        ['facility', 'electricity-16-a', 9],
        ['facility', 'waste', 2],
      ] as const),
      ...([
        ['price', '..30', 8],
        ['price', '..5', 2],
        ['length', '12..', 6],
        ['ashore', 'showers', 5],
      ] as const),
    ],
    sorts: [
      ['price-up', 6],
      ['length-down', 3],
    ],
  },
  {
    list: 'courses',
    share: 20,
    searches: [
      ['radio', 5],
      ['navigation', 4],
      ['first aid', 3],
      ['diesel', 3],
      ['children', 4],
      ['navigaton', 1],
    ],
    filters: [
      ['level', 'beginner', 10],
      ['level', 'advanced', 2],
      ['price', '..150', 4],
    ],
    sorts: [['starts-up', 3]],
  },
  {
    list: 'boatyards',
    share: 15,
    searches: [
      ['rigging', 5],
      ['antifouling', 4],
      ['gantry', 6],
      ['boatyrd', 1],
      ['winter storage', 4],
    ],
    filters: [
      ['lift', '20..', 5],
      ['services', 'rigging', 3],
    ],
    sorts: [],
  },
  {
    list: 'harbours',
    share: 10,
    searches: [
      ['fuel', 4],
      ['anchorage', 3],
      ['visitor', 2],
    ],
    filters: [
      ['fuel', 'yes', 6],
      ['facilities', 'showers', 1],
    ],
    sorts: [],
  },
  { list: 'instructors', share: 5, searches: [['radio', 1]], filters: [], sorts: [] },
];

/** Pages that are no lists, with their shares. */
export const PAGES: readonly (readonly [path: string, share: number])[] = [
  ['/', 12],
  ['/about', 2],
  ['/lists/refuel-and-stay', 3],
];
