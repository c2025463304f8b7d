/** Invented yards, courses and people of the sound. Every name is made up for this demo. */

export const YARD_SERVICES = `Engine work
  Inboard
    Diesel
    Electric
  Outboard
Hull
  Painting
  Osmosis treatment
  Timber repair
Rigging
  Standing rigging
  Running rigging
Sails and canvas
  Sail repair
  Covers
Storage
  Ashore
  Under cover`;

/** What is said of the categories at the top of the tree, by label. */
interface ServiceLook {
  readonly icon: string;
  readonly colour: string;
  readonly text: string;
}

export const SERVICE_LOOKS: Readonly<Record<string, ServiceLook>> = {
  'Engine work': { icon: 'handyman', colour: '#3f5f8f', text: 'From a new impeller to lifting the whole engine out.' },
  Hull: { icon: 'directions_boat', colour: '#0f6e6a', text: 'Everything between keel and gunwale.' },
  Rigging: {
    icon: 'anchor',
    colour: '#8a5a10',
    text: 'Wire, rod and rope, made up while you wait or over the winter.',
  },
  'Sails and canvas': { icon: 'sailing', colour: '#7a5c86', text: 'Repairs, washing, and covers made to measure.' },
  Storage: { icon: 'inventory_2', colour: '#5d7a3a', text: 'A place for the winter, ashore or under a roof.' },
};

export const YARD_FIRST = [
  'Larkmoor',
  'Tidewell',
  'Sedgeholt',
  'Brackwater',
  'Orrin',
  'Fallow',
  'Quillan',
  'Marlow Reach',
  'Penhallick',
  'Dunstrand',
];
export const YARD_LAST = ['Yard', 'Boatworks', 'Slip'];

export const COURSE_TOPICS = [
  { name: 'First steps under sail', level: 'Beginner', days: 2 },
  { name: 'Crewing a weekend', level: 'Beginner', days: 2 },
  { name: 'Mooring and anchoring', level: 'Improver', days: 1 },
  { name: 'Pilotage of the sound', level: 'Improver', days: 3 },
  { name: 'Engine care afloat', level: 'Beginner', days: 1 },
  { name: 'Night passages', level: 'Advanced', days: 2 },
  { name: 'Radio for small craft', level: 'Beginner', days: 1 },
  { name: 'Heavy weather', level: 'Advanced', days: 4 },
] as const;

export const LEVELS = ['Beginner', 'Improver', 'Advanced'];
export const CERTIFICATES = [
  'Day skipper tutor',
  'Offshore tutor',
  'Engine tutor',
  'Radio assessor',
  'First aid tutor',
];
export const LANGUAGES = ['English', 'Portuguese', 'French', 'German', 'Dutch'];

export const GIVEN_NAMES = ['Ilsa', 'Tobin', 'Maren', 'Oswin', 'Petra', 'Corvin', 'Junia', 'Leif', 'Amabel', 'Rufus'];
export const FAMILY_NAMES = [
  'Thornby',
  'Averell',
  'Skerrin',
  'Holmquay',
  'Pellworth',
  'Maddock-Reed',
  'Ostrander',
  'Varrow',
];
