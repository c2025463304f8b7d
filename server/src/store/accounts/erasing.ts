import { Op } from 'sequelize';
import type { Transaction, WhereOptions } from 'sequelize';
import type { Models } from '../models.js';
import { rowsOf } from '../rows.js';
import { besidesOf } from '../submissions/besides.js';
import type { Account } from './account-reading.js';

/** No mail goes there (RFC 2606): the address of somebody whose name and address were erased. */
const ERASED = '@erased.invalid';
const NAME = 'Somebody who left';

/** Whether somebody's name and address were erased; what they did stays under a name that all such people have. */
export function isErased({ email }: { readonly email: string }): boolean {
  return email.endsWith(ERASED);
}

/** Takes away what tells who somebody was, wherever the store has it; `passwordHash` is one that no password has. */
export async function erase(
  { id, email }: Account,
  passwordHash: string,
  models: Models,
  transaction: Transaction | undefined,
): Promise<void> {
  const erased = { email: `${id}${ERASED}`, name: NAME, passwordHash, isOff: true, seenAt: null };
  const step = { stepSecret: null, stepUsed: 0, spareCodes: [] };
  await models.users.update({ ...erased, ...step }, { where: { id }, transaction });
  for (const own of [models.sessions, models.tokens, models.signInPlaces, models.tableViews, models.oneTimeLinks]) {
    await own.destroy({ where: { userId: id }, transaction });
  }
  await models.oneTimeLinks.destroy({ where: { email }, transaction });
  await models.mails.destroy({ where: { recipient: email }, transaction });
  await models.notices.destroy({ where: { recipient: email }, transaction });
  const theirs = { [Op.or]: [{ userId: id }, { email }] };
  await models.doorLog.update({ email: '', address: '' }, { where: theirs, transaction });
  await eraseSender(theirs, models, transaction);
  // What an owner did to them is told with their address.
  await models.doorLog.update({ about: '' }, { where: { about: { [Op.startsWith]: email } }, transaction });
}

/** Takes away the name and address of a sender without an account, and the mails to them. */
export async function eraseSenderAt(
  email: string,
  models: Models,
  transaction: Transaction | undefined,
): Promise<void> {
  await models.mails.destroy({ where: { recipient: email }, transaction });
  await eraseSender({ email, userId: null }, models, transaction);
}

/** What they have sent in stays, with the consents to it, from nobody. */
async function eraseSender(where: WhereOptions, models: Models, transaction: Transaction | undefined): Promise<void> {
  const rows = await rowsOf(models.submissions, { where, transaction: transaction ?? null });
  for (const row of rows) {
    const { consents } = besidesOf(row);
    const nobody = { email: '', userId: null, sender: { name: '', consents } };
    await models.submissions.update(nobody, { where: { id: row['id'] as number }, transaction });
  }
}
