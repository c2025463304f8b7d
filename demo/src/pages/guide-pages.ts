import type { PageDesign } from '@plindo/core/design';
import type { GuideNumbers, KeptPicture } from '../guide-parts.js';
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
import { sendInPage } from './send-in-page.js';
import { yardPage } from './yard-page.js';

/** A page with the kind whose list or whose listings it shows; null for none. */
export type GuidePage = readonly [kindId: number | null, page: PageDesign];

export function guidePages(numbers: GuideNumbers, pictures: readonly KeptPicture[]): GuidePage[] {
  return [
    [null, homePage(numbers, pictures)],
    [null, aboutPage()],
    [null, sendInPage(numbers.form)],
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
