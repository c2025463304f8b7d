import { dayNumberAt, weekdayOf } from '@plindo/core/time';
import { Dice } from '@plindo/core/values';
import type { Assembly } from '@plindo/server/assemble';

const DAYS = 60;
/** The listing that is looked at most has so many views on a plain day; the next half as many, the third a third. */
const VIEWS_OF_FIRST = 46;
/** From Monday on: people plan on Thursdays and Fridays, and look from the boat at weekends. */
const SHARE_OF_WEEKDAY = [0.7, 0.7, 0.8, 1.1, 1.4, 1.5, 1.2];

/** Plays those who have looked at the guide in the last two months: few listings are looked at often, most now and then. */
export async function playVisitors({ services: { live }, store }: Pick<Assembly, 'services' | 'store'>): Promise<void> {
  const dice = new Dice(1851);
  const today = dayNumberAt(live.nowInMs(), live.site().zone);
  for (const kind of live.kinds()) {
    const catalog = live.catalog(kind.id)!;
    const ids = [...catalog.onSiteAt(live.nowInMs()).toRows()]
      .map((row) => ({ id: catalog.ids[row]!, lot: dice.next() }))
      .sort((a, b) => a.lot - b.lot)
      .map(({ id }) => id);
    for (let ago = 1; ago <= DAYS; ago++) {
      const day = today - ago;
      const share = SHARE_OF_WEEKDAY[weekdayOf(day) - 1]!;
      const views = ids.map((_, rank) => Math.round((VIEWS_OF_FIRST / (rank + 1)) * share * (0.6 + dice.next() * 0.8)));
      const counted = ids.map((listingId, at) => ({ day, kindId: kind.id, listingId, views: views[at]! }));
      await store.views.add(counted.filter((one) => one.views > 0));
    }
  }
}
