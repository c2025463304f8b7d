import type { ZoneEffects } from '@plindo/core/contract';
import type { ExpiryEffects, LeavingScene } from '@plindo/core/listings';
import { EffectsOfExpiry } from '@plindo/core/listings';
import type { ExpiryRule, Kind } from '@plindo/core/structure';
import { expiryFaults, readExpiryRule } from '@plindo/core/structure';
import { isZone } from '@plindo/core/time';
import { Refusal, issue, refusalOf, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';

/** What rules by which listings leave, and another zone, would do; nothing is changed here. */
export class Expiry {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /**
   * What another rule would do to the listings of a kind. Refused by `kind.expiry` where the rule is not right,
   * and by `request.not-found`.
   */
  async plan(kindId: number, rule: ExpiryRule | null): Promise<ExpiryEffects> {
    const structure = await this.store.structure();
    const kind = structure.kind(kindId);
    if (!kind) throw Refusal.of('request.not-found');
    const read = readExpiryRule({ ...kind, expiry: rule }, this.live.context());
    if (!read.ok) throw refusalOf(read);
    const after = { ...kind, expiry: read.value };
    refuseIfAny(expiryFaults(after).map((reason) => issue('kind.expiry', { reason }, { field: 'expiry' })));
    const { zone } = structure.site;
    return this.compared({ kind, zone }, { kind: after, zone }, kindId);
  }

  /** What another zone of the site would do to the listings of each kind that has a rule. Refused by `value.type`. */
  async planZone(zone: string): Promise<ZoneEffects[]> {
    if (!isZone(zone)) throw Refusal.of('value.type', { label: 'Time zone', wanted: 'a zone such as Europe/Lisbon' });
    const structure = await this.store.structure();
    const kinds = structure.kinds.filter(({ expiry }) => expiry !== null);
    const effects: ZoneEffects[] = [];
    for (const kind of kinds) {
      const compared = await this.compared({ kind, zone: structure.site.zone }, { kind, zone }, kind.id);
      effects.push({ kindId: kind.id, many: kind.many, effects: compared });
    }
    return effects;
  }

  private async compared(
    before: LeavingScene & { readonly kind: Kind },
    after: LeavingScene,
    kindId: number,
  ): Promise<ExpiryEffects> {
    const effects = new EffectsOfExpiry(before, after, this.live.nowInMs());
    for await (const stretch of this.store.catalogRows.ofKind(kindId)) {
      const known = await this.store.due.departures(stretch.map(({ id }) => id));
      for (const listing of stretch) effects.look(listing, known.get(listing.id) ?? null);
    }
    return effects.report();
  }
}
