/** Takes a report in: judged, stored whole in one transaction, and only then acknowledged. The same play counts once. */
import type { Uuid } from '@/contract/ids';
import { createHash } from 'node:crypto';
import Joi from 'joi';
import type { WayIn } from '@/core/reports/around';
import { judge, type Verdict } from '@/core/reports/judge';
import { reportSchema, type Go, type Report } from '@/core/reports/report';
import { playedAsAsked } from '@/core/sheet/home-form';
import { errorNumber } from '../db/patience';
import { DUPLICATE } from '../db/pool';
import { homeFormsOf } from '../db/home-forms';
import { reportByPlay, type NewReport } from '../db/reports';
import { knownVersion, type ChildAssignment } from '../db/weeks';
import { refuse } from '../http/answer';
import { uuidField } from '../http/fields';
import { rareGoes } from './rare-goes';
import { storeTogether } from './store-together';

export interface Envelope {
  /** Made by the page when the play began. */
  readonly playId: Uuid;
  readonly assignmentId: Uuid;
  readonly report: Report;
  /** The number of the game's version that was played, where the sender knows it. */
  readonly gameVersion?: number;
}

export const envelopeSchema = Joi.object<Envelope>({
  playId: uuidField.required(),
  assignmentId: uuidField.required(),
  report: reportSchema.required(),
  gameVersion: Joi.number().integer().min(1).max(100_000),
});

export interface Received {
  readonly receivedAt: Date;
  readonly again: boolean;
  readonly verdict: Verdict;
}

export interface Sender {
  readonly accessKeyId: Uuid | null;
  readonly enteredBy: Uuid | null;
  /** The school's key with which another program sent it. */
  readonly sentBy?: Uuid;
  readonly way: WayIn;
  /** The link had been replaced or had ended. */
  readonly byOldLink?: boolean;
  readonly batchId?: Uuid;
}

/** Whose play ids these are: a play counts once from each of them. A child's are its own, by whichever of its links they come. */
const sourceOf = ({ enteredBy, sentBy }: Sender, { childId }: ChildAssignment): Uuid => enteredBy ?? sentBy ?? childId;

/** What makes two sendings the same report: everything but the moment of sending. */
function contentHash({ playId, assignmentId, report }: Envelope): Buffer {
  const { sentAt: _sentAt, ...content } = report;
  return createHash('sha256')
    .update(JSON.stringify([playId, assignmentId, content]))
    .digest();
}

/** A report judged and ready to be stored. */
export async function judged(sender: Sender, assignment: ChildAssignment, envelope: Envelope, raw: string, now: Date): Promise<NewReport> {
  const { game, levels } = await knownVersion(assignment.versionId);
  const [asked] = await homeFormsOf(assignment.homeFormsId);
  const likeAsked = (go: Go) => (asked ? playedAsAsked(asked, assignment.setUp, go) : go.level === assignment.levelId && !go.otherHand);
  const verdict = judge({ game, report: envelope.report, levels });
  const rare = await rareGoes(assignment, game, envelope.report, verdict, likeAsked);
  return {
    assignmentId: assignment.id,
    ...sender,
    byOldLink: sender.byOldLink ?? false,
    source: sourceOf(sender, assignment),
    batchId: sender.batchId ?? null,
    clientPlayId: envelope.playId,
    bodyHash: contentHash(envelope),
    body: raw,
    report: envelope.report,
    gameVersion: envelope.gameVersion ?? null,
    verdict: rare.size > 0 ? judge({ game, report: envelope.report, levels, isRare: (go) => rare.has(go) }) : verdict,
    asAsked: envelope.report.goes.map(likeAsked),
    receivedAt: now,
  };
}

export async function takeIn(
  sender: Sender,
  assignment: ChildAssignment,
  envelope: Envelope,
  raw: string,
  now: Date,
  store: (report: NewReport) => Promise<void> = storeTogether,
): Promise<Received> {
  const report = await judged(sender, assignment, envelope, raw, now);
  try {
    await store(report);
    return { receivedAt: now, again: false, verdict: report.verdict };
  } catch (error) {
    if (errorNumber(error) !== DUPLICATE) throw error;
    const stored = await reportByPlay(report.source, envelope.playId);
    if (!stored) throw error;
    if (!stored.bodyHash.equals(report.bodyHash))
      throw refuse(
        409,
        '/playId',
        /*i18n*/ 'Another report of this play was received before, and it says something else.',
        /*i18n*/ 'Play again to send a new score.',
      );
    return { receivedAt: stored.receivedAt, again: true, verdict: report.verdict };
  }
}

/** What the page is told. */
export function receipt({ receivedAt, again, verdict }: Received): object {
  return {
    received: true,
    at: receivedAt.toISOString(),
    again,
    verdict: verdict.kind,
    goes: verdict.goes.map((go) => go.result && { value: go.result.value, unit: go.result.unit, sum: go.result.sum }),
  };
}
