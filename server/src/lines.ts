/** Whether an address is on this machine, where nobody else reads what goes over the line. Takes URLs alone. */
export function isOnThisMachine(address: string): boolean {
  const url = new URL(address);
  // A socket of PostgreSQL is a folder: postgres://user@localhost/name?host=/run/postgresql.
  const host = url.searchParams.get('host') ?? url.hostname;
  return host === '' || host.startsWith('/') || /^(localhost|127(\.\d+){3}|\[?::1\]?)$/i.test(host);
}

/** Whether the address of a database asks for a line that nobody else reads, to a server that proves its name. */
export function isEncrypted(database: string): boolean {
  return new URL(database).searchParams.get('sslmode') === 'verify-full';
}
