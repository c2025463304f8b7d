import { randomUUID } from 'node:crypto';
import { Sequelize } from 'sequelize';

/** Makes an empty database beside the one at an address; answers the address of the new one. */
export async function newDatabase(beside: string): Promise<string> {
  const name = `plindo_trial_${randomUUID().slice(0, 8)}`;
  const admin = new Sequelize(beside, { dialect: 'postgres', logging: false });
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.close();
  const address = new URL(beside);
  address.pathname = `/${name}`;
  return address.href;
}
