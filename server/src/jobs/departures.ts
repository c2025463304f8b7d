import type { Departure, DueConsequence, Listing } from '@plindo/core/listings';
import {
  afterConsequence,
  afterDeed,
  contentOf,
  departureOf,
  didWords,
  isTooLate,
  momentWords,
  ruleFor,
  stillDue,
} from '@plindo/core/listings';
import type { ExpiryRule, Kind } from '@plindo/core/structure';
import { isSame } from '@plindo/core/values';
import type { Editing } from '../services/editing.js';
import { removeConnections } from '../services/listings/connecting.js';
import type { Told } from '../services/notices/telling.js';
import { Telling } from '../services/notices/telling.js';
import type { DepartureState, DueRow, Unit } from '../store/index.js';
import { departureIn } from '../store/index.js';

/** What was due later than this is said to have been late. */
const LATE_IN_MS = 60_000;

/** A listing on its way off the site, as far as this unit has come with it. */
interface Leaver {
  readonly before: Listing;
  now: Listing | null;
  departure: Departure;
  readonly rule: ExpiryRule;
}

/** A consequence that happened to a listing. */
interface Happened extends DueConsequence {
  readonly leaver: Leaver;
}

/** Does what happens to listings that leave, each thing once and in order, in one change for the listings of a kind. */
export class DepartureWork {
  constructor(
    private readonly editing: Editing,
    private readonly node: string,
  ) {}

  /** Carries out claimed departures of one kind, as far as they are due before or at `until`. */
  async carryOut(kindId: number, claimed: readonly DueRow[], until: number): Promise<void> {
    await this.editing.change(null, async (unit) => {
      const kind = unit.structure.kind(kindId) ?? null;
      const leavers = await this.leavers(unit, kind, claimed);
      const happened = kind ? happen(leavers, unit, Math.min(until, unit.now)) : [];
      for (const leaver of leavers) {
        await keep(unit, leaver);
        unit.departed.set(leaver.before.id, { kindId, departure: leaver.departure });
      }
      if (kind)
        await new Telling(unit).tellByRule(
          kind,
          happened.flatMap((one) => toldOf(one, unit.now)),
        );
      const by = kind ? `the rule of ${kind.many}` : '';
      return { sentence: kind ? sentenceOf(happened, kind, unit) : '', by, result: null };
    });
  }

  /** The listings whose departures are still this node's to carry out, as they are in the unit. */
  private async leavers(unit: Unit, kind: Kind | null, claimed: readonly DueRow[]): Promise<Leaver[]> {
    const ids = claimed.map(({ subject }) => subject);
    const [rows, listings] = [await unit.due.rows('departure', ids), await unit.listings(ids)];
    const scene = { zone: unit.context().zone, nowInMs: unit.now };
    return ids.flatMap((id): Leaver[] => {
      const [row, before] = [rows.get(id), listings.get(id)];
      if (row?.node !== this.node || row.dueAt === null) return [];
      const known = departureIn(row);
      const rule = kind && before && ruleFor(before, kind);
      if (!rule) {
        unit.departed.set(id, { kindId: (row.state as DepartureState).kindId, departure: { ...known, dueAt: null } });
        return [];
      }
      const departure = departureOf(before, kind, known, scene);
      return [{ before, now: before, rule, departure: departure ?? { ...known, dueAt: null } }];
    });
  }
}

/** Does all that is due until a moment, by its moments and not by listings; answers what changed or told something. */
function happen(leavers: readonly Leaver[], unit: Unit, until: number): Happened[] {
  const { zone } = unit.context();
  const due = leavers.flatMap((leaver) => {
    if (leaver.departure.dueAt === null) return [];
    return stillDue(leaver.rule, leaver.departure, zone)
      .filter(({ at }) => at <= until)
      .map((one): Happened => ({ ...one, leaver }));
  });
  due.sort((a, b) => a.at - b.at);
  return due.filter(({ consequence, leaver }) => {
    const late = isTooLate(consequence, leaver.departure, unit.now);
    const { now } = leaver;
    if (now && !late) leaver.now = afterDeed(now, consequence.deed);
    const status = (leaver.now ?? leaver.before).status;
    leaver.departure = afterConsequence(leaver.departure, consequence, status, leaver.rule, zone);
    const isTold = consequence.deed.act === 'tell';
    return now !== null && !late && (isTold || !isSame(now, leaver.now));
  });
}

async function keep(unit: Unit, { before, now }: Leaver): Promise<void> {
  if (isSame(now, before)) return;
  if (now) await unit.updateListing(before, contentOf(now));
  else {
    await removeConnections(unit, before.id);
    await unit.remove('listing', before.id, before);
  }
}

function toldOf({ consequence, leaver }: Happened, nowInMs: number): Told[] {
  const { deed, key, days } = consequence;
  if (deed.act !== 'tell') return [];
  const { leavesAt } = leaver.departure;
  const about = leavesAt > nowInMs && days < 0 ? 'leaves-soon' : 'has-left';
  return [{ about, key, deed, listing: leaver.now ?? leaver.before, leavesAt }];
}

/** What happened, for the log: how many listings each thing happened to, and when it was due if that was a while ago. */
function sentenceOf(happened: readonly Happened[], kind: Kind, unit: Unit): string {
  const { formats } = unit.context();
  const byKey = new Map<string, Happened[]>();
  for (const one of happened) byKey.set(one.consequence.key, [...(byKey.get(one.consequence.key) ?? []), one]);
  const parts = [...byKey.values()].map((all) => {
    const [first] = all;
    const what = all.length === 1 ? first!.leaver.before.title : `${all.length} ${kind.many}`;
    return didWords(first!.consequence, what, kind, formats);
  });
  if (parts.length === 0) return '';
  const [earliest] = happened;
  const late = unit.now - earliest!.at > LATE_IN_MS ? `; it was due ${momentWords(earliest!.at, formats)}` : '';
  const sentence = parts.join(', ') + late;
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
}
