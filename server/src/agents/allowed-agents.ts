import { BlockList, isIP } from 'node:net'

/** Addresses of this computer and of a shop's own network: RFC 1918, RFC 4193, RFC 1122 and RFC 4291. */
const OWN = new BlockList()
OWN.addSubnet('127.0.0.0', 8)
OWN.addSubnet('10.0.0.0', 8)
OWN.addSubnet('172.16.0.0', 12)
OWN.addSubnet('192.168.0.0', 16)
OWN.addAddress('::1', 'ipv6')
OWN.addSubnet('fc00::', 7, 'ipv6')

/** `127.0.0.1:5000` of an address such as `http://127.0.0.1:5000/Mill`; undefined where it is none that an agent may have. */
export function hostAndPort(address: string): string | undefined {
  const url = URL.canParse(address) ? new URL(address) : undefined
  if (url?.protocol !== 'http:' || url.username !== '' || url.search !== '' || url.hash !== '')
    return undefined
  const host = url.hostname.replace(/^\[|\]$/g, '')
  const family = isIP(host)
  // A name could be made to mean another place after it was allowed.
  if (family === 0 || !OWN.check(host, family === 6 ? 'ipv6' : 'ipv4')) return undefined
  return `${url.hostname}:${url.port || '80'}`
}

/**
 * The agents that this server may ask: whoever starts it says which, and no other is ever asked, whatever a machine is declared with.
 *
 * @throws with one clear line for what is no address of an agent.
 */
export function readAgents(list: string): ReadonlySet<string> {
  return new Set(
    list
      .split(',')
      .map((entry) => entry.trim())
      .filter((entry) => entry !== '')
      .map((entry) => {
        const known = hostAndPort(`http://${entry}`)
        if (known === undefined || known !== entry)
          throw new Error(
            `PINE_AGENTS holds “${entry}”: expected numbers of this computer or of the shop's own network with a port, such as 192.168.1.20:5000.`,
          )
        return known
      }),
  )
}
