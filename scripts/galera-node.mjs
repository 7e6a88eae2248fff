import { spawn } from 'node:child_process';
import { chownSync, mkdirSync, openSync } from 'node:fs';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Stop } from './console.mjs';
import { end, isAlive, run, which } from './run.mjs';

const PATIENCE_MS = 60_000;
const NOBODY = 65_534;
/** Of Debian's package galera-4, which mariadb-server brings. */
const PROVIDER = '/usr/lib/galera/libgalera_smm.so';

/** A node that is silent is left behind within seconds: until then nobody stores anything. For nodes in one building. */
const TALK = 'evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT2S;evs.inactive_timeout=PT4S;evs.install_timeout=PT4S';

/**
 * The settings a node of a shop has, beside what its machine needs. The same stand in docs/running.md, with why.
 * @see MariaDB Knowledge Base, Configuring MariaDB Galera Cluster
 */
export const SETTINGS = [
  '--binlog-format=ROW',
  '--default-storage-engine=InnoDB',
  '--innodb-autoinc-lock-mode=2',
  '--innodb-flush-log-at-trx-commit=1',
  '--wsrep-sync-wait=1',
  '--wsrep-retry-autocommit=4',
  '--character-set-server=utf8mb4',
  '--collation-server=utf8mb4_unicode_ci',
  '--default-time-zone=+00:00',
  '--skip-name-resolve',
];

/** One node of a cluster on loopback. */
export class GaleraNode {
  /**
   * @param folder - of its own; its data is in `data`
   * @param ports - of the database, of the cluster's talk, and of the two ways state is transferred
   * @param peers - the cluster's ports of all nodes
   */
  constructor(name, folder, ports, peers, account) {
    Object.assign(this, { name, folder, ports, peers, account });
    this.port = ports.sql;
    this.socket = join(tmpdir(), `wm-node-${process.pid}-${name}.sock`);
    this.log = join(folder, 'mariadb.log');
  }

  arguments() {
    const { sql, group, state, increments } = this.ports;
    return [
      '--no-defaults',
      `--user=${userInfo().username}`,
      `--datadir=${join(this.folder, 'data')}`,
      '--bind-address=127.0.0.1',
      `--port=${sql}`,
      `--socket=${this.socket}`,
      `--pid-file=${join(this.folder, 'node.pid')}`,
      ...SETTINGS,
      '--wsrep-on=ON',
      `--wsrep-provider=${PROVIDER}`,
      '--wsrep-cluster-name=wrenchman',
      `--wsrep-cluster-address=gcomm://${this.peers.map((port) => `127.0.0.1:${port}`).join(',')}`,
      `--wsrep-node-name=${this.name}`,
      `--wsrep-node-address=127.0.0.1:${group}`,
      '--wsrep-sst-method=rsync',
      `--wsrep-sst-receive-address=127.0.0.1:${state}`,
      `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${group};ist.recv_addr=127.0.0.1:${increments};${TALK}`,
    ];
  }

  /** @param how - `first` begins the cluster; one that was killed gets only what it missed where it says its `position` */
  async start({ first = false, position } = {}) {
    const more = [
      ...(first ? ['--wsrep-new-cluster'] : []),
      ...(position ? [`--wsrep-start-position=${position}`] : []),
    ];
    const data = join(this.folder, 'data');
    mkdirSync(data, { recursive: true });
    // What another node sends comes by rsync, which root runs as nobody.
    if (process.getuid() === 0) chownSync(data, NOBODY, NOBODY);
    const log = openSync(this.log, 'a');
    this.child = spawn(which('mariadbd'), [...this.arguments(), `--log-error=${this.log}`, ...more], {
      detached: true,
      stdio: ['ignore', log, log],
    });
    this.child.unref();
    await this.synced();
  }

  /** Where a node that was killed stands. */
  async recovered() {
    const { output } = await run(which('mariadbd'), [...this.arguments(), '--wsrep-recover']);
    const position = /Recovered position:\s*(\S+)/.exec(output)?.[1];
    if (!position) throw new Stop(`Node ${this.name} does not say where it stands:\n${output.slice(-2000)}`);
    return position;
  }

  /** What the node answers to a statement, in tab-separated lines; undefined where it does not. */
  async query(statement, schema) {
    const args = ['--no-defaults', '--protocol=tcp', '-h127.0.0.1', `-P${this.port}`, `-u${this.account.user}`, '-N'];
    const { code, output } = await run(which('mariadb'), [...args, ...(schema ? [schema] : []), '-e', statement], {
      env: { MYSQL_PWD: this.account.password },
    });
    return code === 0 ? output.trim() : undefined;
  }

  /** A value the node shows of itself. */
  async status(name) {
    return (await this.query(`SHOW GLOBAL STATUS LIKE '${name}'`))?.split('\t')[1];
  }

  async synced() {
    const untilMs = Date.now() + PATIENCE_MS;
    while (Date.now() < untilMs) {
      if ((await this.status('wsrep_local_state_comment')) === 'Synced') return;
      if (this.child.exitCode !== null) break;
      await wait(200);
    }
    throw new Stop(`Node ${this.name} did not come up; its log is ${this.log}.`);
  }

  /** As a power cut. */
  async kill() {
    this.child.kill('SIGKILL');
    while (isAlive(this.child.pid)) await wait(20);
  }

  async stop() {
    if (this.child) await end(this.child.pid, 'SIGTERM', 30_000);
  }
}
