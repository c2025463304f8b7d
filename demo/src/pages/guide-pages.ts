import type { PageDesign } from '@plindo/core/design';
import type { KeptPicture } from '../guide.js';
import { aboutPage } from './about-page.js';
import { berthPage } from './berth-page.js';
import { coursePage } from './course-page.js';
import { homePage } from './home-page.js';
import { guidePage } from './guide-page.js';
import { harbourPage } from './harbour-page.js';
import {
  channelsPage,
  coursesPage,
  harboursPage,
  instructorsPage,
  refuelPage,
  servicePage,
  yardsPage,
} from './index-pages.js';
import { instructorPage } from './instructor-page.js';
import { yardPage } from './yard-page.js';

/** Numbers of the kinds of the guide, and of the selections that its pages list. */
export interface GuideNumbers {
  readonly harbour: number;
  readonly berth: number;
  readonly yard: number;
  readonly course: number;
  readonly instructor: number;
  readonly guide: number;
  readonly channel: number;
  /** Of the part with a word from the office. */
  readonly office: number;
  /** By slug. */
  readonly selections: ReadonlyMap<string, number>;
}

/** A page with the kind whose list or whose listings it shows; null for none. */
export type GuidePage = readonly [kindId: number | null, page: PageDesign];

export function guidePages(numbers: GuideNumbers, pictures: readonly KeptPicture[]): GuidePage[] {
  return [
    [null, homePage(numbers, pictures)],
    [null, aboutPage()],
    [null, refuelPage(numbers)],
    [numbers.harbour, harbourPage()],
    [numbers.berth, berthPage(numbers.office)],
    [numbers.yard, yardPage()],
    [numbers.course, coursePage()],
    [numbers.instructor, instructorPage()],
    [numbers.guide, guidePage()],
    [numbers.harbour, harboursPage(numbers.office)],
    [numbers.yard, yardsPage()],
    [numbers.yard, servicePage()],
    [numbers.course, coursesPage()],
    [numbers.instructor, instructorsPage()],
    [numbers.channel, channelsPage()],
  ];
}
