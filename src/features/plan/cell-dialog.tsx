'use client';
import { DeskLink } from '@/ui/desk-link';
import { useMemo, useState } from 'react';
import { dayWords } from '@/core/measure/days';
import { dueAfter } from '@/core/plan/calendar';
import { knownPlan, offersOf, termToSolve } from '@/core/plan/document';
import type { Cell } from '@/core/plan/term';
import { whyThis, worseBecause } from '@/core/plan/why';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select } from '@/ui/field';
import { Ticked } from '@/ui/form/fields';
import { SoftLine } from '@/ui/page';
import { GamePicker } from '../games/game-picker';
import type { ShelfGame } from '../games/shelf-game';
import { isFixed, mustWords, titleOf, type CellView, type PlanOnScreen } from './model';
import { Acts } from './plan-style';

interface CellDialogProps {
  readonly screen: PlanOnScreen;
  readonly cell: CellView;
  readonly shelf: readonly ShelfGame[];
  readonly mayChange: boolean;
  readonly fixed: (classId: string, week: number) => boolean;
  readonly onChoose: (cell: Cell | null) => void;
  readonly onTake: () => void;
  readonly onPin: (pinned: boolean) => void;
  readonly onSend: () => void;
  readonly onClose: () => void;
}

const inTen = (chance: number | null) => (chance === null ? 'nothing is aimed at' : `about ${Math.round(10 * chance)} in 10`);

/** One cell: what stands there, harder or easier, something else, why. */
export function CellDialog({ screen, cell, shelf, mayChange, fixed, onChoose, onTake, onPin, onSend, onClose }: CellDialogProps) {
  const [picking, setPicking] = useState(false);
  const { document, facts } = screen;
  const { offer, level, classId, week } = cell;
  const may = mayChange && !isFixed(cell);
  const ageYears = facts.classes.find(({ id }) => id === classId)?.ageYears;
  const index = facts.offers.findIndex(({ id }) => id === offer?.id);
  const chanceAt = (at: number) => facts.expected[classId]?.[index]?.[at]?.chance ?? null;
  if (picking)
    return (
      <GamePicker
        title={`A game for ${cell.className}, week ${week + 1}`}
        games={shelf}
        {...(ageYears !== undefined && { ageYears })}
        onClose={() => setPicking(false)}
        onPick={(id) => {
          const picked = facts.offers.find((one) => one.id === id);
          if (picked) onChoose({ offerId: id, levelId: easiestRight(screen, classId, week, id) ?? picked.levels[0]!.id });
          setPicking(false);
        }}
      />
    );
  return (
    <Dialog title={`${cell.className}, week ${week + 1}`} isOpen onClose={onClose} width={620}>
      <p>
        {dayWords(cell.on)}: <b>{titleOf(cell)}</b>
        {cell.chance !== null && `, ${inTen(cell.chance)}`}
        {cell.par && `, par ${cell.par}`}
        {cell.minutes !== null && `, about ${cell.minutes} ${cell.minutes === 1 ? 'minute' : 'minutes'} a go`}.{' '}
        {cell.sent && (
          <>
            Sent as week {cell.sent.number}, due {dayWords(cell.sent.dueOn)}: <DeskLink href={`/weeks/${cell.sent.weekId}`}>week and paper</DeskLink>.
          </>
        )}
      </p>
      {may && (
        <Acts>
          {offer?.kind === 'game' && level && (
            <Select
              label="Level"
              value={level.id}
              choices={offer.levels.map(({ id, name }, at) => ({ value: id, label: `${name}, ${inTen(chanceAt(at))}` }))}
              onChange={(levelId) => onChoose({ offerId: offer.id, levelId })}
            />
          )}
          <Button onPress={() => setPicking(true)}>{offer ? 'Another game' : 'Choose a game'}</Button>
          {document.events.map(({ id, title }) => (
            <Button key={id} onPress={() => onChoose({ offerId: id, levelId: 'event' })}>
              {title}
            </Button>
          ))}
          <QuietButton onPress={() => onChoose(null)}>Keep the week free</QuietButton>
          {cell.kind !== 'empty' && <QuietButton onPress={onTake}>Take it out</QuietButton>}
        </Acts>
      )}
      {may && cell.kind !== 'empty' && <Ticked label="It stays here when the plan is worked out again" on={cell.pinned} onChange={onPin} />}
      {cell.kind === 'planned' && !isFixed(cell) && <Why screen={screen} cell={cell} fixed={fixed} {...(may && { onChoose })} />}
      <DialogActions>
        {may && cell.kind === 'planned' && (
          <>
            {offer?.kind === 'game' && (
              <DeskLink href={`/weeks/new?class=${classId}&game=${offer.id}&level=${level!.id}&as=${cell.sentAs}&due=${dueAfter(cell.on)}`}>
                Change more before it is sent
              </DeskLink>
            )}
            <Button $strong onPress={onSend}>
              Send to {cell.className} …
            </Button>
          </>
        )}
        <Button onPress={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** The level of a game that is nearest to what the week wants for the class. */
function easiestRight({ document, facts }: PlanOnScreen, classId: string, week: number, offerId: string): string | null {
  const term = termToSolve(document, facts, () => false);
  const classIndex = term.classes.findIndex(({ id }) => id === classId);
  const offer = term.offers.findIndex(({ id }) => id === offerId);
  const wanted = term.wanted[classIndex]?.[week];
  const levels = term.expected[classIndex]?.[offer];
  if (wanted === undefined || !levels) return null;
  const off = levels.map(({ chance }) => (chance === null ? 0 : Math.abs(chance - wanted)));
  return term.offers[offer]!.levels[off.indexOf(Math.min(...off))]?.id ?? null;
}

/** The best others for the cell, and why they are worse there. */
function Why({ screen, cell, fixed, onChoose }: Pick<CellDialogProps, 'screen' | 'cell' | 'fixed'> & { onChoose?: (cell: Cell) => void }) {
  const { document, facts } = screen;
  const told = useMemo(() => {
    const whole = termToSolve(document, facts, fixed);
    // Of what stands there now everything else would be a change: that says nothing of why.
    const term = { ...whole, weights: { ...whole.weights, changes: 0 } };
    const classIndex = term.classes.findIndex(({ id }) => id === cell.classId);
    if (classIndex < 0 || !term.offers.some(({ id }) => id === cell.offer?.id)) return [];
    const known = knownPlan(document, term);
    const { others, barred } = whyThis(term, known, classIndex, cell.week);
    return [...others, ...(barred ? [barred] : [])].map((other) => ({
      other,
      words: worseBecause(term, known, { classIndex, week: cell.week }, other, (id) => mustWords(id, screen)),
    }));
  }, [document, facts, fixed, cell, screen]);
  if (told.length === 0) return null;
  const offers = offersOf(screen.document, screen.facts.offers);
  return (
    <>
      <h3>Why this?</h3>
      <SoftLine $small>With everything else as it is, the next best here, and what speaks against each:</SoftLine>
      <ul>
        {told.map(({ other, words }) => {
          const offer = offers.find(({ id }) => id === other.cell.offerId);
          const level = offer?.levels.find(({ id }) => id === other.cell.levelId);
          return (
            <li key={`${other.cell.offerId} ${other.cell.levelId}`}>
              <b>
                {offer?.title}, {level?.name}
              </b>
              : {words.length > 0 ? words.map((against) => against.words).join('; ') : 'just as good here'}.{' '}
              {onChoose && other.breaks.length === 0 && <QuietButton onPress={() => onChoose(other.cell)}>Take it</QuietButton>}
            </li>
          );
        })}
      </ul>
    </>
  );
}
