import { join } from 'node:path'
import { postgresFolder } from './packages.mjs'

// What the programs of a cluster are told, each in its own language.

/** By this name the archive knows what is written. */
export const STANZA = 'pine'

/** YAML reads JSON: nothing has to be written twice to be read by patroni. */
const yaml = (value) => JSON.stringify(value, null, 2)

/**
 * One database of the cluster, as patroni keeps it (https://patroni.readthedocs.io/en/rest_api/yaml_configuration.html).
 *
 * What dies is replaced within 30 s: a leader that is silent loses its place after `ttl`, the least that patroni allows.
 */
export function patroniFile({ folder, node, voters, secrets }) {
  const own = `127.0.0.1:${node.line}`
  const archive = `pgbackrest --config=${join(folder, node.name, 'pgbackrest.conf')} --stanza=${STANZA}`
  return yaml({
    scope: 'pine',
    name: node.name,
    log: { dir: join(folder, node.name), level: 'INFO', file_num: 1 },
    restapi: {
      listen: `127.0.0.1:${node.api}`,
      connect_address: `127.0.0.1:${node.api}`,
      authentication: { username: 'pine', password: secrets.api },
    },
    // By the older of etcd's two languages: in the newer one this version of patroni (3.0.2) has a leader that hangs and comes back
    // take its place again unasked, from whoever was promoted meanwhile. bench/server/cluster.ts saw it.
    etcd: { hosts: voters.map(({ client }) => `127.0.0.1:${client}`) },
    bootstrap: {
      dcs: {
        ttl: 20,
        loop_wait: 3,
        retry_timeout: 5,
        // A database that dies is not waited for: another one goes on.
        master_start_timeout: 0,
        maximum_lag_on_failover: 0,
        // What is acknowledged is written down on two of the three, and only one of those two is ever promoted.
        synchronous_mode: true,
        // Without those that vote the leader goes on while it sees all the others, and so knows that nobody else leads.
        failsafe_mode: true,
        postgresql: {
          use_pg_rewind: true,
          parameters: {
            // Each keeps what it was sent: nothing is missing of what a leader could not archive before it died.
            archive_mode: 'always',
            archive_timeout: '30s',
            wal_level: 'replica',
            wal_log_hints: 'on',
            // A line that is cut is noticed before anybody gives up.
            wal_sender_timeout: '8s',
            wal_receiver_timeout: '8s',
            tcp_keepalives_idle: 5,
          },
        },
      },
      initdb: [{ encoding: 'UTF8' }, { locale: 'C.UTF-8' }, 'data-checksums'],
    },
    postgresql: {
      listen: `127.0.0.1:${node.port}`,
      // Where the others, and the product, find it.
      connect_address: own,
      data_dir: join(folder, node.name, 'data'),
      bin_dir: postgresFolder(),
      pgpass: join(folder, node.name, 'pgpass'),
      recovery_conf: { restore_command: `${archive} archive-get %f "%p"` },
      authentication: {
        superuser: { username: 'pine', password: secrets.owner },
        replication: { username: 'pine_replica', password: secrets.replica },
        rewind: { username: 'pine_rewind', password: secrets.rewind },
      },
      parameters: {
        unix_socket_directories: join(folder, node.name),
        archive_command: `${archive} archive-push "%p"`,
      },
      pg_hba: [
        'local all all scram-sha-256',
        'host all all 127.0.0.1/32 scram-sha-256',
        'host replication pine_replica 127.0.0.1/32 scram-sha-256',
      ],
    },
  })
}

/** The archive, as the database of one node writes into it. */
export const pgbackrestFile = ({ folder, node, secrets }) => `[global]
repo1-path=${join(folder, 'archive')}
repo1-retention-full=2
repo1-cipher-type=aes-256-cbc
repo1-cipher-pass=${secrets.archive}
lock-path=${join(folder, node.name, 'locks')}
log-path=${join(folder, node.name)}
log-level-console=warn
log-level-file=info
spool-path=${join(folder, node.name)}
archive-timeout=30
# The standbys push as well: a leader that dies may leave behind what it had not pushed yet.
archive-mode-check=n
start-fast=y
compress-type=lz4

[${STANZA}]
pg1-path=${join(folder, node.name, 'data')}
pg1-port=${node.port}
pg1-socket-path=${join(folder, node.name)}
pg1-user=pine
`

/** One of those that vote on who leads. */
export function etcdArguments({ folder, voter, voters }) {
  const client = `http://127.0.0.1:${voter.client}`
  const peer = `http://127.0.0.1:${voter.peer}`
  return [
    ['--name', voter.name],
    ['--data-dir', join(folder, voter.name, 'data')],
    ['--listen-client-urls', client],
    ['--advertise-client-urls', client],
    ['--listen-peer-urls', peer],
    ['--initial-advertise-peer-urls', peer],
    [
      '--initial-cluster',
      voters.map((one) => `${one.name}=http://127.0.0.1:${one.peer}`).join(','),
    ],
    ['--initial-cluster-token', 'pine'],
    ['--initial-cluster-state', 'new'],
    ['--enable-v2'],
    ['--heartbeat-interval', '100'],
    ['--election-timeout', '1000'],
    ['--log-level', 'warn'],
  ].flat()
}
