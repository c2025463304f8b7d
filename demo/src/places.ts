/** The invented estuary: its harbours and what they are like. Every name is made up for this demo. */
export interface HarbourPlan {
  readonly name: string;
  readonly latitude: number;
  readonly longitude: number;
  readonly region: string;
  readonly channel: number;
  readonly facilities: readonly string[];
  readonly fuel: boolean;
  readonly berths: number;
  readonly summary: string;
  readonly about: string;
}

export const REGIONS = ['Inner sound', 'Outer banks', 'Upper reach', 'Skerry coast'] as const;

export const HARBOUR_FACILITIES = [
  'Boat lift',
  'Chandlery',
  'Laundry',
  'Pump-out',
  'Showers',
  'Slipway',
  'Restaurant',
  'Wi-Fi',
] as const;

const about = (sentence: string): string =>
  `${sentence}\n\nVisitors call the harbour office on the working channel before they come in. The office is open from eight until dusk, and after that the duty phone answers.`;

export const HARBOURS: readonly HarbourPlan[] = [
  {
    name: 'Tarnwick Haven',
    latitude: 47.412,
    longitude: -31.208,
    region: 'Inner sound',
    channel: 12,
    facilities: ['Showers', 'Laundry', 'Chandlery', 'Wi-Fi', 'Boat lift'],
    fuel: true,
    berths: 24,
    summary: 'The largest basin of the sound, sheltered from everything but a spring southerly.',
    about: about('Tarnwick grew around a rope walk, and the long sheds now house sailmakers and a chandlery.'),
  },
  {
    name: 'Ostrey Quay',
    latitude: 47.438,
    longitude: -31.164,
    region: 'Inner sound',
    channel: 11,
    facilities: ['Showers', 'Restaurant', 'Wi-Fi'],
    fuel: false,
    berths: 14,
    summary: 'Stone quay below the old town, a short walk from the market.',
    about: about('Ostrey is where people come to eat; the quay dries at its inner end.'),
  },
  {
    name: 'Pellan Pool',
    latitude: 47.391,
    longitude: -31.251,
    region: 'Inner sound',
    channel: 9,
    facilities: ['Slipway', 'Showers'],
    fuel: false,
    berths: 12,
    summary: 'A deep natural pool with buoys and a quiet pontoon.',
    about: about('Pellan is a place to wait for the tide, and many stay a week.'),
  },
  {
    name: 'Greyfin Marina',
    latitude: 47.365,
    longitude: -31.302,
    region: 'Outer banks',
    channel: 8,
    facilities: ['Showers', 'Laundry', 'Pump-out', 'Wi-Fi', 'Restaurant', 'Boat lift'],
    fuel: true,
    berths: 26,
    summary: 'Full-service marina behind the long breakwater, open in all weathers.',
    about: about('Greyfin was dug out of the salt meadows, and its breakwater is walked by half the town on Sundays.'),
  },
  {
    name: 'Sallow Creek',
    latitude: 47.455,
    longitude: -31.221,
    region: 'Upper reach',
    channel: 10,
    facilities: ['Slipway'],
    fuel: false,
    berths: 8,
    summary: 'Tidal creek among willows, for boats that can take the ground.',
    about: about('Sallow Creek has changed little; a ferry rope still crosses it.'),
  },
  {
    name: 'Hollin Staithe',
    latitude: 47.474,
    longitude: -31.187,
    region: 'Upper reach',
    channel: 10,
    facilities: ['Showers', 'Slipway', 'Wi-Fi'],
    fuel: false,
    berths: 10,
    summary: 'River berths at the head of navigation, with a café in the granary.',
    about: about('Hollin is as far as masts can go; the bridge above opens for nobody.'),
  },
  {
    name: 'Brannock Island',
    latitude: 47.332,
    longitude: -31.347,
    region: 'Outer banks',
    channel: 14,
    facilities: ['Pump-out'],
    fuel: false,
    berths: 9,
    summary: 'An island landing with clear water and no shops at all.',
    about: about('Brannock belongs to its birds from March to July, and to boats for the rest of the year.'),
  },
  {
    name: 'Kessel Light',
    latitude: 47.318,
    longitude: -31.274,
    region: 'Skerry coast',
    channel: 13,
    facilities: ['Showers', 'Restaurant'],
    fuel: true,
    berths: 13,
    summary: 'Under the lighthouse at the mouth of the sound, last fuel before open water.',
    about: about('Kessel keeps the light, the pilot boat and the best weather forecast of the coast.'),
  },
  {
    name: 'Mirrow Basin',
    latitude: 47.349,
    longitude: -31.215,
    region: 'Skerry coast',
    channel: 12,
    facilities: ['Showers', 'Laundry', 'Boat lift', 'Chandlery'],
    fuel: true,
    berths: 18,
    summary: 'Working harbour with a yard, a lift and room for large boats.',
    about: about('Mirrow smells of tar and varnish; whoever needs work done comes here.'),
  },
  {
    name: 'Little Averne',
    latitude: 47.402,
    longitude: -31.143,
    region: 'Skerry coast',
    channel: 9,
    facilities: ['Wi-Fi', 'Restaurant'],
    fuel: false,
    berths: 9,
    summary: 'A fishing village that keeps two pontoons for guests.',
    about: about('Little Averne sells its catch from the boats at seven in the morning.'),
  },
  {
    name: 'Corrin Steps',
    latitude: 47.427,
    longitude: -31.279,
    region: 'Upper reach',
    channel: 11,
    facilities: ['Showers', 'Pump-out', 'Slipway', 'Laundry'],
    fuel: false,
    berths: 11,
    summary: 'Terraced gardens above a small harbour that never dries.',
    about: about('Corrin has ninety-nine steps and, at their top, a view over all of the sound.'),
  },
  {
    name: 'Windle Sound Club',
    latitude: 47.381,
    longitude: -31.188,
    region: 'Inner sound',
    channel: 15,
    facilities: ['Showers', 'Wi-Fi', 'Boat lift'],
    fuel: false,
    berths: 6,
    summary: 'Club pontoons with a welcome for visiting crews and a busy race calendar.',
    about: about('Windle lends its berths to guests whenever its own boats are out, which is most of the summer.'),
  },
];

export const BERTH_TYPES = [
  'Finger pontoon',
  'Hammerhead',
  'Quay wall',
  'Swinging buoy',
  'Fore-and-aft mooring',
  'Mud berth',
] as const;

export const BERTH_FACILITIES = [
  'Water',
  'Electricity 16 A',
  'Electricity 32 A',
  'Waste',
  'Lighting',
  'Dinghy rack',
  'Step-free access',
] as const;
