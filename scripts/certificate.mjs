#!/usr/bin/env node
// npm run certificate [-- NAME …]: makes the shop's own authority, once, and by it a certificate for this server.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { ensureNodeModules } from './lib/packages.mjs'
import { STATE } from './lib/paths.mjs'
import { runScript, say } from './lib/say.mjs'

const FOLDER = `${STATE}-tls`
const DAY_MS = 86_400_000
const AUTHORITY_DAYS = 3650
/** Phones trust no certificate of a server for longer than this. */
const SERVER_DAYS = 397

const inDays = (days) => new Date(Date.now() + days * DAY_MS)
const keep = (name, text) => writeFileSync(join(FOLDER, name), text, { mode: 0o600 })

/** The one that phones are told to trust; made once, since each phone is told by hand. */
async function authorityOf(generate) {
  const [cert, key] = [join(FOLDER, 'authority.crt'), join(FOLDER, 'authority.key')]
  if (existsSync(cert) && existsSync(key))
    return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
  const made = await generate([{ name: 'commonName', value: `Pine Compass of ${hostname()}` }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate: inDays(AUTHORITY_DAYS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  })
  keep('authority.crt', made.cert)
  keep('authority.key', made.private)
  return { cert: made.cert, key: made.private }
}

/** Names and addresses by which this machine is found in its own network. */
const ownNames = () => [
  'localhost',
  hostname(),
  `${hostname()}.local`,
  ...Object.values(networkInterfaces()).flatMap((ones) =>
    ones.filter(({ scopeid }) => !scopeid).map(({ address }) => address),
  ),
]

await runScript(async () => {
  await ensureNodeModules({ toRun: true })
  const { generate } = await import('selfsigned')
  mkdirSync(FOLDER, { recursive: true, mode: 0o700 })
  // The server answers to this machine's own names by itself; to these once it is told them.
  const named = process.argv.slice(2)
  const names = [...new Set([...ownNames(), ...named])]
  const made = await generate([{ name: 'commonName', value: names[1] }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate: inDays(SERVER_DAYS),
    ca: await authorityOf(generate),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isIP(name) ? { type: 7, ip: name } : { type: 2, value: name },
        ),
      },
    ],
  })
  keep('server.crt', made.cert)
  keep('server.key', made.private)
  say(`
  A certificate for ${names.join(', ')}
  lies in ${FOLDER}, for ${SERVER_DAYS} days. Start with it:

    ${named.length > 0 ? `PINE_HOSTS=${named.join(',')} ` : ''}PINE_HOST=0.0.0.0 PINE_CERT=${FOLDER}/server.crt PINE_KEY=${FOLDER}/server.key npm start

  Each phone trusts it once it trusts the shop's authority, ${FOLDER}/authority.crt.
  Bring that file to the phone (by cable, or by mail to yourself) and open it there, or in its settings look for
  “install a certificate”, of an authority (CA). Some phones ask once more, among their certificate settings, whether
  it is to be trusted in full: say yes there. Its manual has the words.
  Keep authority.key to yourself: whoever has it can pretend to be any server to those phones.
`)
})
