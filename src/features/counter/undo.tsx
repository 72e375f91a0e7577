'use client';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from './text-button';
import { undone } from './model';
import type { PlayInHand } from './use-play';

/** Its place is kept while there is nothing to take back: what stands beside it does not jump. */
const Kept = styled(TextButton)`
  &:disabled {
    visibility: hidden;
  }
`;

/** Takes the last tap back, and says which. */
export function Undo({ play }: { play: PlayInHand }) {
  const { i18n, own } = useWords();
  const what = undone(play);
  return (
    <Kept type="button" disabled={what === null} onClick={play.takeBack}>
      {what ? i18n.t('Undo “{what}”', { what: own(what) }) : i18n.t('Undo (the last tap)', {}, { message: 'Undo' })}
    </Kept>
  );
}
