/** The unit of the service: what it says, and what systemd says of it. */
import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { complaintsOf, unitOf } from '@/cli/service-unit';

const OF = {
  node: process.execPath,
  root: process.cwd(),
  user: 'daemon',
  data: '/var/lib/lochside',
  host: '127.0.0.1',
  port: 3000,
  publicUrl: 'https://play.example.org/a%20b',
};
const hasSystemd = spawnSync('systemd-analyze', ['--version']).status === 0;

describe('the unit of the service', () => {
  it('runs as its own user, who may write the data and nothing else', () => {
    const unit = unitOf(OF);
    for (const line of ['User=daemon', 'NoNewPrivileges=yes', 'ProtectSystem=strict', 'ReadWritePaths=/var/lib/lochside', 'CapabilityBoundingSet='])
      expect(unit.split('\n')).toContain(line);
    // A sign that systemd would read as its own stands doubled.
    expect(unit).toContain('"PUBLIC_URL=https://play.example.org/a%%20b"');
    expect(unitOf({ ...OF, root: '/home/a/lochside' })).toContain('ProtectHome=read-only');
  });
  it.runIf(hasSystemd)('is taken by systemd, which does complain of one that is wrong', () => {
    expect(complaintsOf(unitOf(OF))).toBe('');
    expect(complaintsOf(unitOf(OF).replace('RestartSec=5', 'RestartSec=soon'))).toContain('Failed to parse sec value');
    expect(complaintsOf(unitOf({ ...OF, node: '/nowhere/node' }))).toContain('/nowhere/node');
  });
});
