'use client';
import { DeskLink } from '@/ui/desk-link';
import type { Pace } from '@/core/measure/lengths';
import type { Game } from '@/core/rules/format/game';
import { Dialog } from '@/ui/dialog';
import { ScenePlayer } from './scene-player';

/** The level of the chart table as it shows itself, with what was changed just now. */
export default function ShowDialog({
  gameId,
  levelId,
  level,
  pace,
  onClose,
}: {
  readonly gameId: string;
  readonly levelId: string;
  readonly level: Game;
  readonly pace: Pace;
  readonly onClose: () => void;
}) {
  return (
    <Dialog title={`${level.title} shows itself`} isOpen onClose={onClose} width={680}>
      <ScenePlayer level={level} pace={pace} hand="right" form={level.kit.form} drawnPx={460} />
      <DeskLink href={`/games/${gameId}/show?level=${levelId}`}>Large for the class, and the list of shots to film it yourself</DeskLink>
    </Dialog>
  );
}
