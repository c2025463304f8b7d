import type { LinkEndSketch } from '@plindo/core/contract';
import type { Category, CategorySetDefinition, KindDefinition, Picture } from '@plindo/core/structure';
import type { Services } from '@plindo/server/http/services';
import {
  ARRANGED_BERTHS,
  ARRANGED_BOATYARDS,
  ARRANGED_COURSES,
  ARRANGED_HARBOURS,
  guideSelections,
} from './arrange.js';
import { guideCard } from './cards.js';
import { ARCHIVE, BERTH_KIND, HARBOUR_KIND, INSTRUCTOR_KIND, SERVICES, boatyardKind, courseKind } from './kinds.js';
import {
  CERTIFICATES,
  COURSE_TOPICS,
  FAMILY_NAMES,
  GIVEN_NAMES,
  LANGUAGES,
  YARD_FIRST,
  YARD_LAST,
} from './people-and-work.js';
import type { GuideNumbers, KeptPicture } from './guide-parts.js';
import { officePart } from './pages/office-part.js';
import { yardForm } from './pages/send-in-page.js';
import { guideFrame } from './pages/guide-frame.js';
import { guidePages } from './pages/guide-pages.js';
import { drawLogo } from './pictures.js';
import { drawPortrait } from './portraits.js';
import { BERTH_FACILITIES, BERTH_TYPES, HARBOURS } from './places.js';
import { Dice } from '@plindo/core/values';
import { CHANNEL_KIND, GUIDE_KIND, fillReading } from './reading.js';

const BERTHS_WITHOUT_PICTURE = 0.2;
const COURSES = 80;
const INSTRUCTORS = 20;
const DAY_IN_MS = 86_400_000;

/** Numbers of listings by title, to link with. */
type Ids = ReadonlyMap<string, number>;

/** Makes the five kinds with their links and category sets, and fills them. */
export async function fillGuide(services: Services, pictures: readonly KeptPicture[]): Promise<void> {
  const { kinds, links, categorySets } = services;
  const { result: set } = await categorySets.add(null, withPictures(SERVICES, pictures));
  const { result: harbour } = await kinds.add(null, HARBOUR_KIND);
  const { result: berth } = await kinds.add(null, BERTH_KIND);
  const { result: yard } = await kinds.add(null, boatyardKind(set.id));
  const { result: archive } = await categorySets.add(null, ARCHIVE);
  const { result: course } = await kinds.add(null, courseKind(archive.id));
  const { result: instructor } = await kinds.add(null, INSTRUCTOR_KIND);
  const end = (kindId: number, label: string, many: boolean): LinkEndSketch => ({ kindId, label, many });
  const link = (a: LinkEndSketch, b: LinkEndSketch, hasNotes = false): Promise<unknown> =>
    links.add(null, { a, b, hasNotes });
  await link(end(berth.id, 'Harbour', false), end(harbour.id, 'Berths', true));
  await link(end(yard.id, 'Serves', true), end(harbour.id, 'Boatyards', true), true);
  await link(end(course.id, 'Held at', false), end(harbour.id, 'Courses', true));
  await link(end(course.id, 'Taught by', true), end(instructor.id, 'Teaches', true));
  await arrange(services, harbour.id, ARRANGED_HARBOURS);
  await arrange(services, berth.id, ARRANGED_BERTHS, ['harbour'], true);
  await arrange(services, course.id, ARRANGED_COURSES, ['held_at', 'taught_by']);
  await arrange(services, yard.id, ARRANGED_BOATYARDS, ['serves']);
  const harbours = await fillHarbours(services, harbour.id, pictures);
  await fillBerths(services, berth.id, harbours, pictures);
  await fillYards(services, yard.id, harbours, pictures);
  const instructors = await fillInstructors(services, instructor.id);
  await fillCourses(services, course.id, { harbours, instructors }, pictures);
  const { result: guide } = await kinds.add(null, GUIDE_KIND);
  const { result: channel } = await kinds.add(null, CHANNEL_KIND);
  await fillReading(services, { guide: guide.id, channel: channel.id }, pictures);
  const ids = { berth: berth.id, course: course.id, harbour: harbour.id, yard: yard.id };
  const selections = new Map<string, number>();
  for (const selection of guideSelections(ids)) {
    const { result } = await services.selections.add(null, selection);
    selections.set(result.slug, result.id);
  }
  const numbers = { ...ids, instructor: instructor.id, guide: guide.id, channel: channel.id, selections };
  await designGuide(services, numbers, pictures);
}

/** How the guide looks: a card for each kind, and its pages. */
async function designGuide(
  { designs, kinds }: Services,
  numbers: Omit<GuideNumbers, 'office' | 'form'>,
  pictures: readonly KeptPicture[],
): Promise<void> {
  for (const { kind } of kinds.summaries()) {
    await designs.add(null, { type: 'card', kindId: kind.id, definition: guideCard(kind) });
  }
  const { result: office } = await designs.add(null, { type: 'page', kindId: null, definition: officePart() });
  const { result: form } = await designs.add(null, { type: 'form', kindId: numbers.yard, definition: yardForm() });
  for (const [kindId, definition] of guidePages({ ...numbers, office: office.id, form: form.id }, pictures)) {
    await designs.add(null, { type: 'page', kindId, definition });
  }
  await designs.add(null, { type: 'frame', kindId: null, definition: guideFrame(numbers.berth) });
}

/** The set with a picture for each category at the top of the tree. */
function withPictures(set: CategorySetDefinition, pictures: readonly KeptPicture[]): CategorySetDefinition {
  const top = set.categories.filter(({ parent }) => parent === null);
  const pictureOf = (category: Category): Picture | null => pictures[top.indexOf(category) + 3] ?? null;
  return {
    ...set,
    categories: set.categories.map((own) => (own.parent === null ? { ...own, picture: pictureOf(own) } : own)),
  };
}

/** Arranges the index page of a kind, and puts its link fields first. */
async function arrange(
  { kinds }: Services,
  kindId: number,
  arrangement: Partial<KindDefinition>,
  linkKeys: readonly string[] = [],
  required = false,
): Promise<void> {
  const { kind } = kinds.summary(kindId);
  const { id, version, ...definition } = kind;
  const isLink = ({ key }: { readonly key: string }): boolean => linkKeys.includes(key);
  const links = definition.fields.filter(isLink).map((field) => ({ ...field, required }));
  const fields = [...links, ...definition.fields.filter((field) => !isLink(field))];
  await kinds.update(null, id, version, { ...definition, ...arrangement, fields });
}

async function fillHarbours({ listings }: Services, kindId: number, pictures: readonly KeptPicture[]): Promise<Ids> {
  const ids = new Map<string, number>();
  for (const [at, harbour] of HARBOURS.entries()) {
    const domain = `${harbour.name.toLowerCase().replaceAll(' ', '-')}.example`;
    const { result } = await listings.add(null, kindId, {
      title: harbour.name,
      summary: harbour.summary,
      picture: pictures[at],
      status: 'live',
      featured: at === 3 || at === 7,
      values: {
        region: harbour.region,
        facilities: harbour.facilities,
        fuel: harbour.fuel,
        visitor_berths: harbour.berths,
        channel: String(harbour.channel),
        hours: at % 3 === 0 ? '07:30..21:00' : '08:00..18:00',
        phone: `+00 555 01${String(at + 10)}`,
        email: `office@${domain}`,
        website: `https://${domain}`,
        place: { latitude: harbour.latitude, longitude: harbour.longitude, address: '' },
        about: harbour.about,
        views: [13, 17, 23].map((step) => pictures[(at + step) % pictures.length]),
      },
    });
    ids.set(harbour.name, result.id);
  }
  return ids;
}

async function fillBerths(
  { listings }: Services,
  kindId: number,
  harbours: Ids,
  pictures: readonly KeptPicture[],
): Promise<void> {
  const dice = new Dice(20261);
  const today = Date.now();
  for (const harbour of HARBOURS) {
    for (let number = 1; number <= harbour.berths; number++) {
      const type = dice.pick(BERTH_TYPES);
      const length = dice.whole(14, 48) / 2;
      // One in every second harbour at least, so that there is something to lead the page.
      const isFeatured = dice.chance(0.03) || (number === 5 && HARBOURS.indexOf(harbour) % 2 === 0);
      const night = dice.whole(9, 60);
      const nearby = dice.chance(0.15) ? null : dice.chance(0.6);
      const summary = summaryOf(dice, type);
      const picture = dice.chance(BERTHS_WITHOUT_PICTURE) ? null : dice.pick(pictures);
      await listings.add(null, kindId, {
        title: `${harbour.name}, berth ${number}`,
        summary,
        ...leading(picture, isFeatured, pictures[number % pictures.length]),
        status: dice.chance(0.04) ? 'draft' : 'live',
        handOrder: isFeatured ? number * 10 : null,
        values: {
          harbour: [harbours.get(harbour.name)!],
          type,
          price: `${night}.${dice.pick(['00', '50'])}`,
          length: `${length} m`,
          // Some are known only in feet, as the chart has them; some not at all.
          draught: dice.chance(0.1)
            ? null
            : dice.chance(0.3)
              ? `${dice.whole(4, 14)} ft`
              : `${dice.whole(12, 45) / 10} m`,
          facility: dice.some(BERTH_FACILITIES, 0.45),
          nearby,
          services_note: nearby ? dice.pick(['Shop and fuel', 'Laundry', 'Shop, fuel and laundry']) : null,
          tariff: dice.chance(0.3) ? null : tariffOf(night, dice),
          checked: dateIn(today, -dice.whole(3, 400)),
        },
      });
    }
  }
}

/** What leads a list is worth a picture. */
function leading(
  picture: KeptPicture | null,
  featured: boolean,
  other: KeptPicture | undefined,
): { readonly picture: KeptPicture | null; readonly featured: boolean } {
  return { picture: picture ?? (featured ? (other ?? null) : null), featured };
}

function tariffOf(night: number, dice: Dice): readonly Record<string, unknown>[] {
  const rows = [
    { season: 'Winter', night: Math.round(night * 0.7), week: Math.round(night * 4.2) },
    { season: 'Summer', night, week: night * 6 },
    { season: 'Regatta week', night: night * 2, week: null },
  ];
  return rows.slice(0, dice.whole(1, 3));
}

async function fillYards(
  { listings, pictures: kept }: Services,
  kindId: number,
  harbours: Ids,
  pictures: readonly KeptPicture[],
): Promise<void> {
  const dice = new Dice(31);
  const leaves = SERVICES.categories.filter(({ key }) => !SERVICES.categories.some(({ parent }) => parent === key));
  for (const [at, first] of YARD_FIRST.entries()) {
    for (const last of YARD_LAST) {
      const title = `${first} ${last}`;
      const { hash, width, height } = await kept.add(await drawLogo(first, at), `${first}.png`);
      const services = dice.some(
        leaves.map(({ key }) => key),
        0.25,
      );
      await listings.add(null, kindId, {
        title,
        summary: `A ${dice.pick(['family', 'small', 'busy', 'quiet'])} yard ${dice.pick(['on the inner shore', 'by the old lock', 'below the bridge', 'at the end of the quay'])}.`,
        ...leading(dice.chance(0.25) ? null : dice.pick(pictures), dice.chance(0.07), pictures[at % pictures.length]),
        body: `<p>${title} looks after boats of every build.</p><h2>This winter</h2><ul><li>Lift, wash and lay up in one visit</li><li>Ten in the hundred off for work booked before <strong>February</strong></li></ul>`,
        status: 'live',
        values: {
          services,
          lift: dice.chance(0.15) ? null : `${dice.whole(3, 60)} t`,
          rating: dice.chance(0.2) ? null : dice.whole(4, 10) / 2,
          since: dice.whole(1870, 2015),
          logo: { hash, width, height, alt: `Logo of ${title}` },
          shed: { length: `${dice.whole(12, 60)} m`, heated: dice.chance(0.4) },
          phone: `+00 555 02${String(at).padStart(2, '0')}`,
          website: `https://${title.toLowerCase().replaceAll(' ', '-')}.example`,
          serves: dice
            .some([...harbours.values()], 0.2)
            .map((id) => ({ id, note: dice.chance(0.3) ? dice.pick(['Tuesdays only', 'By appointment']) : '' })),
        },
      });
    }
  }
}

async function fillInstructors({ listings, pictures }: Services, kindId: number): Promise<Ids> {
  const dice = new Dice(77);
  const ids = new Map<string, number>();
  for (let at = 0; at < INSTRUCTORS; at++) {
    const given = GIVEN_NAMES[at % GIVEN_NAMES.length]!;
    const title = `${given} ${FAMILY_NAMES[(at * 3 + Math.floor(at / GIVEN_NAMES.length)) % FAMILY_NAMES.length]!}`;
    const { result } = await listings.add(null, kindId, {
      title,
      summary: `Teaches ${dice.pick(['patiently', 'with a dry wit', 'by doing', 'in small groups'])}, ${dice.pick(['afloat since childhood', 'after years as a pilot', 'between two ocean crossings'])}.`,
      // A few have not been drawn yet.
      picture: dice.chance(0.15) ? null : await portraitOf(pictures, title, at),
      status: 'live',
      values: {
        certificates: dice.some(CERTIFICATES, 0.4),
        languages: dice.some(LANGUAGES, 0.4),
        years: dice.whole(1, 35),
        email: `${given.toLowerCase()}@merrowsound.example`,
      },
    });
    ids.set(title, result.id);
  }
  return ids;
}

async function portraitOf(pictures: Services['pictures'], name: string, number: number): Promise<KeptPicture> {
  const { hash, width, height } = await pictures.add(await drawPortrait(number), `portrait-${number + 1}.png`);
  return { hash, width, height, alt: `Drawing of ${name}`, focus: { x: 0.5, y: 0.48 } };
}

/** Courses lie around the day of the filling, so that some have been and some are to come. */
async function fillCourses(
  { listings }: Services,
  kindId: number,
  { harbours, instructors }: { readonly harbours: Ids; readonly instructors: Ids },
  pictures: readonly KeptPicture[],
): Promise<void> {
  const dice = new Dice(5);
  const today = Date.now();
  for (let at = 0; at < COURSES; at++) {
    const topic = COURSE_TOPICS[at % COURSE_TOPICS.length]!;
    const starts = Math.round((at - COURSES / 5) * 2.6);
    const shown = {
      summary: `${topic.days === 1 ? 'A day' : `${topic.days} days`} ${dice.pick(['on the water', 'half ashore and half afloat', 'with time to practise'])}.`,
      ...leading(dice.chance(0.4) ? null : dice.pick(pictures), dice.chance(0.05), pictures[at % pictures.length]),
      // A few can still be joined on their last day.
      shownUntil: dice.chance(0.12) ? `${dateIn(today, starts + topic.days)} 00:00` : null,
    };
    const [price, seats] = [topic.days * dice.whole(60, 110), dice.whole(4, 12)];
    const [harbour, heldAt] = dice.pick([...harbours]);
    await listings.add(null, kindId, {
      ...shown,
      title: `${topic.name} at ${harbour}`,
      status: 'live',
      values: {
        starts: dateIn(today, starts),
        ends: dateIn(today, starts + topic.days - 1),
        meets: `${dateIn(today, starts)} 09:00`,
        level: topic.level,
        price: String(price),
        seats,
        held_at: [heldAt],
        taught_by: dice.some([...instructors.values()], 0.06),
      },
    });
  }
}

function dateIn(today: number, days: number): string {
  return new Date(today + days * DAY_IN_MS).toISOString().slice(0, 10);
}

function summaryOf(dice: Dice, type: string): string {
  const where = dice.pick([
    'Close to the harbour office',
    'At the quiet end',
    'By the entrance',
    'Below the town',
    'Along the outer arm',
  ]);
  const what = dice.pick([
    'sheltered from westerlies',
    'some wash from the ferry',
    'with room to turn',
    'good holding at all tides',
    'a short row from the steps',
  ]);
  return `${type} ${where.toLowerCase()}, ${what}.`;
}
