/** The unit by which systemd runs Lochside: as a user of its own that may write nothing but the data. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export interface ServiceOf {
  readonly node: string;
  /** The checkout. */
  readonly root: string;
  readonly user: string;
  readonly data: string;
  readonly host: string;
  readonly port: number;
  readonly publicUrl: string;
}

/** A value within quotes, as systemd reads them: its own signs doubled. */
const quoted = (text: string) => `"${text.replaceAll('\\', '\\\\').replaceAll('"', '\\"').replaceAll('%', '%%')}"`;

export const unitOf = ({ node, root, user, data, host, port, publicUrl }: ServiceOf): string => `[Unit]
Description=Lochside, target games for a primary school
Documentation=file:${root.replaceAll('%', '%%')}/docs/guide/technician.md
After=network-online.target
Wants=network-online.target

[Service]
Type=simple
User=${user}
Group=${user}
WorkingDirectory=${root.replaceAll('%', '%%')}
Environment=${quoted(`HOST=${host}`)} ${quoted(`PORT=${port}`)} ${quoted(`PUBLIC_URL=${publicUrl}`)}
Environment=${quoted(`LOCHSIDE_DATA=${data}`)} ${quoted(`HOME=${data}`)}
# More settings, one a line (LOCHSIDE_MAILBOX=…, LOCHSIDE_METRICS_PORT=9464).
EnvironmentFile=-/etc/lochside.env
ExecStart=${quoted(node)} ${quoted(`${root}/scripts/start.mjs`)} school
Restart=on-failure
RestartSec=5
KillMode=mixed
TimeoutStopSec=60
UMask=0027
ReadWritePaths=${data.replaceAll('%', '%%')}
NoNewPrivileges=yes
CapabilityBoundingSet=
AmbientCapabilities=
ProtectSystem=strict
ProtectHome=${/^\/home\//.test(root) ? 'read-only' : 'yes'}
PrivateTmp=yes
PrivateDevices=yes
ProtectClock=yes
ProtectControlGroups=yes
ProtectHostname=yes
ProtectKernelLogs=yes
ProtectKernelModules=yes
ProtectKernelTunables=yes
ProtectProc=invisible
RestrictAddressFamilies=AF_INET AF_INET6 AF_UNIX
RestrictNamespaces=yes
RestrictRealtime=yes
RestrictSUIDSGID=yes
LockPersonality=yes
RemoveIPC=yes
SystemCallArchitectures=native

[Install]
WantedBy=multi-user.target
`;

/** What systemd itself finds in a unit, whatever it would do with it; empty where it finds nothing, or is not here to ask. */
export function complaintsOf(unit: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'lochside-unit-'));
  try {
    const file = join(folder, 'lochside.service');
    writeFileSync(file, unit);
    const { stderr, stdout } = spawnSync('systemd-analyze', ['verify', '--man=no', file], { encoding: 'utf8' });
    return `${stderr ?? ''}${stdout ?? ''}`
      .split('\n')
      .filter((line) => line.includes('lochside.service'))
      .join('\n');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
