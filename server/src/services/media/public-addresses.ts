import { BlockList, isIP } from 'node:net';

/**
 * Networks that are not the public internet, by the special-purpose address registries of IANA (RFC 6890 and what came
 * after it). What a visitor or an editor names must never make the server ask its own machine or its neighbours.
 */
const NOT_PUBLIC: readonly (readonly [string, number])[] = [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
];

/** Whether an IP address belongs to the public internet; of IPv6 only global unicast, without what stands for IPv4. */
export function isPublicAddress(ip: string): boolean {
  if (isIP(ip) === 4) return !listOf(NOT_PUBLIC, 'ipv4').check(ip);
  if (isIP(ip) !== 6) return false;
  const global = listOf([['2000::', 3]], 'ipv6').check(ip, 'ipv6');
  // Documentation, Teredo and benchmarking, and 6to4, which carries any IPv4 address.
  const special = [
    ['2001:db8::', 32],
    ['2001::', 23],
    ['2002::', 16],
    ['3fff::', 20],
  ] as const;
  return global && !listOf(special, 'ipv6').check(ip, 'ipv6');
}

function listOf(networks: readonly (readonly [string, number])[], family: 'ipv4' | 'ipv6'): BlockList {
  const list = new BlockList();
  for (const [network, prefix] of networks) list.addSubnet(network, prefix, family);
  return list;
}
