'use client';
import { useState } from 'react';
import { dayPlus } from '@/core/measure/days';
import styled from 'styled-components';
import type { Fitted } from '@/core/progress/fit';
import { parRestsWords } from '@/core/progress/skill-words';
import type { Game } from '@/core/rules/game';
import { Button, ButtonLink } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { Notice } from '@/ui/notice';
import { send } from '@/ui/post';
import { USUAL_DIARY, USUAL_WARM_UP } from '../weeks/usual-week';

export interface ClassChoice {
  readonly id: string;
  readonly name: string;
  readonly ageYears: number;
  readonly children: number;
  /** How steady it is by its own reports; absent while they are too few. */
  readonly fitted?: Fitted;
}

const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
`;

export interface SendDialogProps {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly gameId: string;
  readonly game: Game;
  readonly level: number;
  readonly classes: readonly ClassChoice[];
  readonly ageYears: number;
  readonly today: string;
  readonly saveFirst: () => Promise<boolean>;
  /** Tables of pins worked out on this desk, sent along so that par is the one that is shown here. */
  readonly racks: Readonly<Record<string, string>>;
}

/** The button that was pressed is gone: the keyboard goes on from here. */
function focusWhenShown(link: HTMLAnchorElement | null): void {
  link?.focus();
}

/** Picks a class and a due day, and sends. */
export function SendDialog({ isOpen, onClose, gameId, game, level, classes, ageYears, today, saveFirst, racks }: SendDialogProps) {
  const likely = classes.find((one) => one.ageYears === ageYears && one.children > 0) ?? classes.find((one) => one.children > 0) ?? classes[0];
  const [classId, setClassId] = useState(likely?.id ?? '');
  const [levelId, setLevelId] = useState<string | null>(null);
  const [dueOn, setDueOn] = useState(dayPlus(today, 7));
  const [warmUp, setWarmUp] = useState(USUAL_WARM_UP);
  const [diary, setDiary] = useState(USUAL_DIARY);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [sent, setSent] = useState<{ id: string; number: number; children: number; classId: string } | null>(null);
  const chosen = classes.find((one) => one.id === classId);
  const chosenLevel = levelId ?? game.levels[level]!.id;

  const submit = async () => {
    setBusy(true);
    setProblem('');
    if (!(await saveFirst())) {
      setProblem('The game could not be saved first. Nothing was sent.');
      setBusy(false);
      return;
    }
    const answer = await send<{ id: string; number: number; children: number }>('POST', '/api/v1/weeks', {
      classId,
      games: [{ gameId, levelId: chosenLevel }],
      dueOn,
      warmUp,
      diary,
      note,
      racks,
    });
    setBusy(false);
    if (answer.ok && answer.value) setSent({ ...answer.value, classId });
    else setProblem(answer.problem);
  };
  const close = () => {
    setSent(null);
    setProblem('');
    onClose();
  };

  if (sent)
    return (
      <Dialog title={`Sent to ${chosen?.name ?? 'the class'}`} isOpen={isOpen} onClose={close}>
        <p>
          Week {sent.number} is on {sent.children} cards now. Families open it with the link or code that they have for this term.
        </p>
        <DialogActions>
          <ButtonLink href={`/classes/${sent.classId}/links`}>Links and codes</ButtonLink>
          <ButtonLink href={`/weeks/${sent.id}`}>Paper and texts</ButtonLink>
          <ButtonLink $strong href={`/scores?class=${sent.classId}`} ref={focusWhenShown}>
            Scores of this week
          </ButtonLink>
        </DialogActions>
      </Dialog>
    );
  return (
    <Dialog title={`Send ${game.title}`} isOpen={isOpen} onClose={close}>
      {classes.length === 0 ? (
        <>
          <p>There is no class yet. Make one and add its children first.</p>
          <DialogActions>
            <ButtonLink $strong href="/classes">
              Go to Classes
            </ButtonLink>
          </DialogActions>
        </>
      ) : (
        <>
          <Pair>
            <Select
              label="Class"
              value={classId}
              choices={classes.map((one) => ({ value: one.id, label: `${one.name}, ${one.children} children` }))}
              onChange={setClassId}
            />
            <TextField label="Due on" type="date" value={dueOn} onChange={setDueOn} />
          </Pair>
          <Select label="Level" value={chosenLevel} choices={game.levels.map((one) => ({ value: one.id, label: one.name }))} onChange={setLevelId} />
          <TextField label="Warm-up, before the game" value={warmUp} onChange={setWarmUp} maxLength={280} />
          <TextField label="Movement diary" value={diary} onChange={setDiary} maxLength={280} />
          <TextField label="A word to the families (if you like)" value={note} onChange={setNote} maxLength={280} />
          <p style={{ fontSize: '0.9375rem', color: 'var(--ink-soft)' }}>
            Each child gets the distances in their own steps and a par to go with them. {parRestsWords(chosen?.fitted)} The game as it is now is kept;
            later changes make a new version.
          </p>
          {problem && (
            <Notice $tone="caution" role="alert">
              {problem}
            </Notice>
          )}
          <DialogActions>
            <Button onPress={close}>Not yet</Button>
            <Button $strong isDisabled={busy || classId === ''} onPress={() => void submit()}>
              {busy ? 'Sending …' : 'Send'}
            </Button>
          </DialogActions>
        </>
      )}
    </Dialog>
  );
}
