'use client';
import { useState } from 'react';
import { dayWords } from '@/core/measure/days';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Ticked } from '@/ui/form/fields';
import { Notice } from '@/ui/notice';
import { Figures } from '@/ui/page';
import { send } from '@/ui/post';
import { titleOf, weekToSend, type CellView, type PlanOnScreen } from './model';

type Outcome =
  { readonly kind: 'on its way' } | { readonly kind: 'sent'; readonly children: number } | { readonly kind: 'refused'; readonly why: string };

const outcomeWords = (outcome: Outcome | undefined) =>
  outcome === undefined
    ? ''
    : outcome.kind === 'sent'
      ? `sent to ${outcome.children} children`
      : outcome.kind === 'refused'
        ? outcome.why
        : 'on its way …';

/** Cells become weeks: all of a week at once, or one. Everything is filled as usual; what is to be otherwise is changed in the week builder. */
export function SendPlanDialog({
  screen,
  cells,
  onSave,
  onClose,
}: {
  screen: PlanOnScreen;
  cells: readonly CellView[];
  /** The plan is kept first: a week is sent under the id that its cell keeps. */
  onSave: () => Promise<boolean>;
  onClose: (isSent: boolean) => void;
}) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(cells.map(({ classId }) => classId)));
  const [outcomes, setOutcomes] = useState<Readonly<Record<string, Outcome>>>({});
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const sent = Object.values(outcomes).some(({ kind }) => kind === 'sent');
  const open = cells.filter(({ classId }) => chosen.has(classId) && outcomes[classId]?.kind !== 'sent');
  const tell = (classId: string, outcome: Outcome) => setOutcomes((before) => ({ ...before, [classId]: outcome }));
  const sendAll = async () => {
    setBusy(true);
    setProblem('');
    if (!(await onSave())) setProblem('The plan itself could not be kept yet; nothing was sent. Try again in a moment.');
    else
      for (const cell of open) {
        const week = weekToSend(screen, cell);
        if (!week) continue;
        tell(cell.classId, { kind: 'on its way' });
        const answer = await send<{ children: number }>('POST', '/api/v1/weeks', week);
        tell(cell.classId, answer.ok && answer.value ? { kind: 'sent', children: answer.value.children } : { kind: 'refused', why: answer.problem });
      }
    setBusy(false);
  };
  const [first] = cells;
  return (
    <Dialog
      title={cells.length === 1 ? `Send to ${first!.className}` : `Send week ${first!.week + 1}`}
      isOpen
      onClose={() => onClose(sent)}
      width={720}
    >
      <p>The usual warm-up and diary go with each; the due day is the one before the next lesson.</p>
      <Figures>
        <thead>
          <tr>
            <th scope="col">Class</th>
            <th scope="col">Game</th>
            <th scope="col">Due</th>
            <th scope="col">
              <span aria-hidden>Outcome</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {cells.map((cell) => (
            <tr key={cell.classId}>
              <td>
                <Ticked
                  label={cell.className}
                  on={chosen.has(cell.classId)}
                  isDisabled={busy || outcomes[cell.classId]?.kind === 'sent'}
                  onChange={(on) => setChosen((before) => new Set(on ? [...before, cell.classId] : [...before].filter((id) => id !== cell.classId)))}
                />
              </td>
              <td>{titleOf(cell)}</td>
              <td>{dayWords(weekToSend(screen, cell)!.dueOn)}</td>
              <td role="status">{outcomeWords(outcomes[cell.classId])}</td>
            </tr>
          ))}
        </tbody>
      </Figures>
      {problem && (
        <Notice $tone="caution" role="alert">
          {problem}
        </Notice>
      )}
      <DialogActions>
        {/* What was pressed is gone when all is sent: the focus goes on to what closes. */}
        <Button key={sent && !busy ? 'sent' : 'before'} autoFocus={sent && !busy} onPress={() => onClose(sent)}>
          {sent ? 'Close' : 'Not now'}
        </Button>
        {(open.length > 0 || !sent) && (
          <Button $strong autoFocus isDisabled={busy || open.length === 0} onPress={() => void sendAll()}>
            {open.length === 1 ? `Send to ${open[0]!.className}` : `Send to ${open.length} classes`}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
