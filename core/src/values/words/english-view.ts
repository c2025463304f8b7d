import type { Wording } from './wording.js';

/** What the components of a page say, in English: browsers know it, so it needn't travel with pages. */
export const ENGLISH_VIEW = {
  'page.skip': 'To the content',
  'page.menu': 'Menu',
  'page.gone': 'Nothing here',
  'page.gone.why': 'This page is gone or has never been.',
  'page.gone.near': 'Did you mean one of these?',
  'page.gone.home': 'Go to the home page',

  'list.featured': 'Featured',
  'list.all': 'See all {count}',
  'list.nothing-yet': 'There is nothing here yet.',
  'list.no-match': 'Nothing matches all of that.',
  'list.without': { one: 'Without {choice} there is {count}', other: 'Without {choice} there are {count}' },
  'list.take-back': 'Take back one of your choices, or clear them all.',
  'list.clear': 'Clear all choices',
  'list.no-such-page': 'There are not that many pages.',
  'list.last-page': 'Go to the last one',

  'group.over': 'What is over',
  'group.continued': 'continued',
  'group.nothing': 'Nothing here',
  'group.goes-on': '{group} goes on, on the next page',
  /** Behind a number, for those who hear the page: "12 listings". */
  'count.listings': { one: 'listing', other: 'listings' },

  'pager.label': 'Pages',
  'pager.page': 'Page {page}',
  'pager.previous': 'Previous',
  'pager.next': 'Next',
  'pager.more': 'Show {count} more',

  'chips.label': 'Chosen',
  'chips.take-back': 'Take back {choice}',
  'chips.clear': 'Clear all',

  'sort.label': 'Sort by',
  'sort.apply': 'Apply',

  'search.go': 'Search',
  'search.fits': 'What fits {text}',

  'facets.label': 'Filters',
  'facets.close': 'Close',
  'facets.show': 'Show {count}',
  'facet.all-chosen': 'Listings that have all you choose',
  'facet.any': 'Any',
  'facet.find-in': 'Find in {facet}',
  'facet.find-among': 'Find in {count}',
  'facet.under': 'What lies under {value}',
  'facet.fewer': 'Show fewer',
  'facet.all': 'Show all {count}',
  'facet.from': 'From',
  'facet.to': 'To',
  'facet.from-of': '{facet} from {unit}',
  'facet.to-of': '{facet} to {unit}',
  'facet.handle-from': '{facet}, from',
  'facet.handle-to': '{facet}, to',
  'facet.around': 'Around',
  'facet.place': 'Name of a place',
  'facet.my-position': 'Use my position',
  'facet.within': 'At most',
  'facet.any-distance': 'Any distance',
  'facet.no-position': 'Your position could not be told. Type the name of a place instead.',
  'facet.no-place': 'No place here is called “{place}”.',
  'facet.around-you': 'Around your position',

  'jump.label': 'Go to a date',

  'gallery.label': 'Pictures in large',
  'gallery.close': 'Close',
  'gallery.before': 'Picture before',
  'gallery.next': 'Next picture',
  'gallery.place': '{place} of {count}',
  'gallery.in-large': '{picture}, in large',
  'gallery.picture': 'Picture {place}',

  'map.show': 'Show the map',
  'map.closer': 'Look closer',
  'map.farther': 'Look from farther',
  'map.search-here': 'Search in this part of the map',
  'map.as-list': '{map}, as a list',
  'map.more': 'And {count} more: choose more narrowly to see them.',

  'share.share': 'Share',
  'share.print': 'Print',
  'share.copied': 'The address was copied.',
} as const satisfies Readonly<Record<string, Wording>>;

export type ViewWord = keyof typeof ENGLISH_VIEW;
