import { hostname, networkInterfaces } from 'node:os';
import ipaddr from 'ipaddr.js';

/** Ranges a workshop's own network is in; what comes from elsewhere came through a hole in it. */
const OWN_RANGES: ReadonlySet<string> = new Set(['loopback', 'private', 'linkLocal', 'uniqueLocal']);

/** Whether an address is of this machine or of the workshop's own network. */
export const isOwnNetwork = (address: string | undefined): boolean =>
  address !== undefined && ipaddr.isValid(address) && OWN_RANGES.has(ipaddr.process(address).range());

/** Whether a question came from this very machine. */
export const isLoopback = (address: string | undefined): boolean =>
  address !== undefined && ipaddr.isValid(address) && ipaddr.process(address).range() === 'loopback';

/** Under what this machine is reached from the workshop's network: its names, then its addresses. */
export function ownAddresses(): { readonly names: readonly string[]; readonly addresses: readonly string[] } {
  const addresses = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ address, internal, family }) => !internal && family === 'IPv4' && isOwnNetwork(address))
    .map(({ address }) => address);
  // As it stands in a certificate and an address; a name with a domain is reached under both.
  const name = hostname().toLowerCase();
  const isName = /^[a-z0-9-]+(\.[a-z0-9-]+)*$/.test(name);
  return { names: isName ? [...new Set([name, `${name.split('.')[0]!}.local`])] : [], addresses };
}
