import type { KeptThings } from '@plindo/core/listings';
import { notKeptIssues } from '@plindo/core/plans';
import { refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';

/** Refuses, with `value.not-a-picture` and `value.not-a-file`, pictures and files that are not kept here. */
export async function refuseNotKept(unit: Unit, things: KeptThings): Promise<void> {
  const hashes = (of: 'pictures' | 'files'): string[] => things[of].map(({ thing }) => thing.hash);
  const pictures = await unit.keptHashes('pictures', hashes('pictures'));
  const files = await unit.keptHashes('files', hashes('files'));
  refuseIfAny(notKeptIssues(things, { pictures, files }));
}
