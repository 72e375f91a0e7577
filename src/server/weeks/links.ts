/** The links and codes of a class for this term, to print and reprint. */
import type { Uuid } from '@/contract/ids';
import QRCode from 'qrcode';
import { tokenFor } from '../db/access-keys';
import { childrenOf } from '../db/children';
import { transact } from '../db/pool';
import { termAt, type DaySpan } from '../db/schools';
import { settings } from '../settings';

export interface PlainLink {
  readonly childId: Uuid;
  readonly name: string;
  readonly medium: 'screen' | 'paper';
  readonly cardUrl: string;
  readonly slipUrl: string;
}

export interface Link extends PlainLink {
  readonly cardQr: string;
  readonly slipQr: string;
}

/** The token stands in the fragment: browsers keep that to themselves. */
function homeUrl(publicUrl: string, token: string): string {
  return `${publicUrl}/home#k=${token}`;
}

/** Without the square codes, which take a while to draw. */
export async function plainLinksOf(schoolId: Uuid, classId: Uuid, today: string, now: Date): Promise<{ term: DaySpan; links: PlainLink[] }> {
  const { publicUrl, serverKey } = settings();
  const children = await childrenOf(classId, today);
  const { term, tokens } = await transact(async (db) => {
    const found = await termAt(db, schoolId, today);
    const made = [];
    for (const child of children) {
      made.push({
        card: await tokenFor(db, serverKey, child.id, found.id, 'card', now),
        slip: await tokenFor(db, serverKey, child.id, found.id, 'slip', now),
      });
    }
    return { term: found, tokens: made };
  });
  const links = children.map((child, index) => ({
    childId: child.id,
    name: `${child.firstName} ${child.initial}`,
    medium: child.medium,
    cardUrl: homeUrl(publicUrl, tokens[index]!.card),
    slipUrl: homeUrl(publicUrl, tokens[index]!.slip),
  }));
  return { term, links };
}

export async function linksOf(schoolId: Uuid, classId: Uuid, today: string, now: Date): Promise<{ term: DaySpan; links: Link[] }> {
  const { term, links } = await plainLinksOf(schoolId, classId, today, now);
  const qr = (url: string) => QRCode.toString(url, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
  return { term, links: await Promise.all(links.map(async (link) => ({ ...link, cardQr: await qr(link.cardUrl), slipQr: await qr(link.slipUrl) }))) };
}
