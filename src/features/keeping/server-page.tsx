'use client';
/** How the server stands: backups, disk, clock, version. */
import styled from 'styled-components';
import type { ServerStanding } from '@/contract/server-standing';
import { SchoolNav } from '@/features/people/school-nav';
import { useMoment } from '@/ui/in-locale';
import { Notice } from '@/ui/notice';
import { Figures, Page, PageHead, SoftLine } from '@/ui/page';
import { bytesWords, WORRY_WORDS } from './server-words';

const Under = styled(SoftLine)`
  margin-top: var(--space-5);
`;

export function ServerPage({
  standing: { version, migration, backupAt, verifiedAt, keepingAt, disk, clock, worries },
}: {
  standing: ServerStanding;
}) {
  const moment = useMoment();
  const lines: readonly (readonly [string, string])[] = [
    ['Last backup', backupAt ? moment(backupAt) : 'none yet'],
    ['Last one tried out and found good', verifiedAt ? moment(verifiedAt) : 'none on this machine yet'],
    ['What is kept was last gone through', keepingAt ? moment(keepingAt) : 'not yet'],
    ['Room on the disk', `${bytesWords(disk.freeBytes)} of ${bytesWords(disk.ofBytes)}`],
    [
      'Clock',
      clock.synchronized === null
        ? 'the machine does not say whether it is kept right'
        : clock.synchronized
          ? 'kept by the network'
          : 'not kept by the network',
    ],
    ['Devices of families', clock.devicesAheadMinutes === null ? 'too few have reported to compare' : aheadWords(clock.devicesAheadMinutes)],
    ['Version', `${version}, database ${migration.slice(0, 4)}`],
  ];
  return (
    <Page $width={1040}>
      <SchoolNav />
      <PageHead>
        <h1>The server</h1>
        <span className="about">{worries.length === 0 ? 'nothing to look after' : ''}</span>
      </PageHead>
      {worries.map((worry) => (
        <Notice key={worry} $tone="caution">
          {WORRY_WORDS[worry]}
        </Notice>
      ))}
      <Figures>
        <tbody>
          {lines.map(([what, words]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td>{words}</td>
            </tr>
          ))}
        </tbody>
      </Figures>
      <Under $small>Show this page to whoever runs the server. Their guide is docs/guide/technician.md.</Under>
    </Page>
  );
}

const aheadWords = (minutes: number) =>
  minutes === 0
    ? 'agree with it'
    : `${Math.abs(minutes)} ${Math.abs(minutes) === 1 ? 'minute' : 'minutes'} ${minutes > 0 ? 'ahead of it' : 'behind it'}`;
