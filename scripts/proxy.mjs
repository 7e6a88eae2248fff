import { spawn } from 'node:child_process';
import { mkdirSync, openSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Stop } from './console.mjs';
import { end, portIsFree, which } from './run.mjs';

/** What stands in front: tablets to any server, and each server to its own node while that one is there. */
const configuration = ({ http, servers, stores }) => `
global
  maxconn 4000
defaults
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  timeout check 1s
frontend tablets
  mode http
  option forwardfor
  bind 127.0.0.1:${http}
  default_backend servers
backend servers
  mode http
  balance leastconn
  option httpchk
  http-check send meth GET uri /readyz ver HTTP/1.1 hdr Host 127.0.0.1
  option redispatch
  retries 2
  default-server check inter 300ms fall 2 rise 2 on-marked-down shutdown-sessions
${servers.map(({ name, port }) => `  server ${name} 127.0.0.1:${port}`).join('\n')}
${stores
  .map(
    ({ port, nodes }) => `
listen store-${port}
  mode tcp
  bind 127.0.0.1:${port}
  option tcp-check
  default-server check inter 300ms fall 2 rise 2 on-marked-down shutdown-sessions
${nodes.map((node, at) => `  server ${node.name} 127.0.0.1:${node.port}${at === 0 ? '' : ' backup'}`).join('\n')}`,
  )
  .join('\n')}
`;

/** Starts HAProxy on loopback. @param routes - ports of tablets, of servers, and of each server's way to its nodes */
export async function startProxy(folder, routes) {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'haproxy.cfg');
  writeFileSync(file, configuration(routes));
  const log = openSync(join(folder, 'haproxy.log'), 'a');
  const child = spawn(which('haproxy'), ['-db', '-f', file], { stdio: ['ignore', log, log] });
  const untilMs = Date.now() + 10_000;
  while (await portIsFree(routes.http)) {
    if (child.exitCode !== null || Date.now() > untilMs)
      throw new Stop(`HAProxy did not come up; its log is ${join(folder, 'haproxy.log')}.`);
    await wait(100);
  }
  return { stop: () => end(child.pid) };
}
