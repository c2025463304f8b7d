import { AddressPlan } from '@plindo/core/plans';
import { refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { kindIn } from '../editing.js';

/** Gives all listings of a kind the addresses that its pattern makes of them, inside a unit: `kind.address-clash`. */
export async function readdress(unit: Unit, kindId: number): Promise<void> {
  const plan = new AddressPlan(kindIn(unit, kindId), unit.context().zone);
  for await (const stretch of unit.listingsOf(kindId)) for (const listing of stretch) plan.take(listing);
  refuseIfAny(plan.issues());
  await unit.moveListings(plan.moves());
}
