'use client';
/** Events of a plan: several games at once, in a week that a wish names. */
import { X } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { newUuid } from '@/contract/ids';
import { MOST_GAMES_OF_A_WEEK } from '@/contract/week';
import type { PlanFacts, PlannedEvent, TermDocument } from '@/core/plan/document';
import { Button, QuietButton } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select, TextField } from '@/ui/field';
import { SoftLine } from '@/ui/page';
import { GamePicker } from '../games/game-picker';
import type { ShelfGame } from '../games/shelf-game';
import { Away } from './plan-style';

const Games = styled.ul`
  padding: 0;
  list-style: none;
`;

const Game = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 180px 32px;
  gap: var(--space-4);
  align-items: center;
`;

export function EventsDialog({
  document,
  facts,
  shelf,
  onDocument,
  onClose,
}: {
  document: TermDocument;
  facts: PlanFacts;
  shelf: readonly ShelfGame[];
  onDocument: (document: TermDocument) => void;
  onClose: () => void;
}) {
  const [picking, setPicking] = useState<string | null>(null);
  const set = (events: readonly PlannedEvent[]) => onDocument({ ...document, events });
  const change = (id: string, to: Partial<PlannedEvent>) => set(document.events.map((event) => (event.id === id ? { ...event, ...to } : event)));
  const add = (eventId: string | null, gameId: string) => {
    const levelId = facts.offers.find(({ id }) => id === gameId)?.levels[0]?.id;
    if (!levelId) return;
    const event = document.events.find(({ id }) => id === eventId);
    if (event) change(event.id, { games: [...event.games, { gameId, levelId }].slice(0, MOST_GAMES_OF_A_WEEK) });
    else set([...document.events, { id: newUuid(), title: 'An event', games: [{ gameId, levelId }] }]);
  };
  // With an event goes what stands on it: its wishes, and its cells.
  const remove = (id: string) =>
    onDocument({
      ...document,
      events: document.events.filter((event) => event.id !== id),
      wishes: document.wishes.filter((wish) => wish.kind !== 'event' || wish.eventId !== id),
      cells: Object.fromEntries(Object.entries(document.cells).map(([of, line]) => [of, line.map((cell) => (cell?.offerId === id ? null : cell))])),
    });
  if (picking !== null)
    return (
      <GamePicker
        title="A game for the event"
        games={shelf}
        onClose={() => setPicking(null)}
        onPick={(id) => {
          add(picking === '' ? null : picking, id);
          setPicking(null);
        }}
      />
    );
  return (
    <Dialog title="Events" isOpen onClose={onClose} width={680}>
      <SoftLine>Several games at once, as stations. An event stands in the week that a wish names, or where you put it.</SoftLine>
      {document.events.map(({ id, title, games }) => (
        <section key={id}>
          <TextField label="Name of the event" value={title} maxLength={60} onChange={(to) => change(id, { title: to })} />
          <Games>
            {games.map(({ gameId, levelId }, index) => {
              const offer = facts.offers.find((one) => one.id === gameId);
              return (
                <Game key={index}>
                  <span>{offer?.title ?? 'A game that is no longer on the shelf'}</span>
                  {offer ? (
                    <Select
                      hideLabel
                      label={`Level of ${offer.title}`}
                      value={levelId}
                      choices={offer.levels.map((level) => ({ value: level.id, label: level.name }))}
                      onChange={(to) => change(id, { games: games.map((one, at) => (at === index ? { ...one, levelId: to } : one)) })}
                    />
                  ) : (
                    <span />
                  )}
                  <Away
                    type="button"
                    aria-label={`Take ${offer?.title ?? 'it'} out`}
                    disabled={games.length === 1}
                    onClick={() => change(id, { games: games.filter((_, at) => at !== index) })}
                  >
                    <X size={16} aria-hidden />
                  </Away>
                </Game>
              );
            })}
          </Games>
          <Button isDisabled={games.length >= MOST_GAMES_OF_A_WEEK} onPress={() => setPicking(id)}>
            Add a game
          </Button>{' '}
          <QuietButton onPress={() => remove(id)}>Take the event away</QuietButton>
        </section>
      ))}
      <DialogActions>
        <Button onPress={() => setPicking('')}>Make an event</Button>
        <Button $strong onPress={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
