'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import type { ShelfGame } from './shelf-game';

const There = styled(DialogActions)`
  justify-content: start;
`;

/** Letters of a folder's name. */
const LONGEST = 40;

/** Into which folder of the shelf a game goes: one that there is, or a new one. */
export function FolderDialog({
  game,
  folders,
  onClose,
  onDone,
}: {
  readonly game: ShelfGame;
  readonly folders: readonly string[];
  readonly onClose: () => void;
  readonly onDone: (folder: string) => void;
}) {
  const [name, setName] = useState(game.folder ?? '');
  const there = [...new Set(folders)].filter((folder) => folder !== game.folder).sort((a, b) => a.localeCompare(b, 'en-GB'));
  return (
    <Dialog title={`Folder for ${game.title}`} isOpen onClose={onClose} width={440}>
      {there.length > 0 && (
        <There>
          {there.map((folder) => (
            <Button key={folder} onPress={() => onDone(folder)}>
              {folder}
            </Button>
          ))}
        </There>
      )}
      <TextField label="Name of the folder" value={name} maxLength={LONGEST} onChange={setName} />
      <DialogActions>
        {game.folder !== null && <Button onPress={() => onDone('')}>Take it out</Button>}
        <Button $strong isDisabled={name.trim() === '' || name.trim() === game.folder} onPress={() => onDone(name.trim())}>
          Put it in
        </Button>
      </DialogActions>
    </Dialog>
  );
}
