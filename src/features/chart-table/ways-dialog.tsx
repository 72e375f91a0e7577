'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { rolesOf, usualBinding, withStation, withWay, type Binding } from '@/core/ways/take-way';
import { WAY_FAMILIES, WAYS, type Way, type WayFamily } from '@/core/ways/ways';
import { thingWords } from '@/core/course/thing-words';
import type { Game } from '@/core/rules/format/game';
import { plainText, sentencesOf } from '@/core/rules/telling/sentences';
import { Button } from '@/ui/button';
import { Dialog, DialogActions } from '@/ui/dialog';
import { Select } from '@/ui/field';

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: var(--space-7);
  height: min(480px, 60vh);
  & > div {
    overflow-y: auto;
    scrollbar-width: thin;
  }
  & h3 {
    margin: var(--space-4) 0 var(--space-1);
    font-size: var(--type-1);
    font-weight: 600;
    color: var(--ink-soft);
  }
  & .told p {
    margin-bottom: var(--space-3);
  }
  & .roles {
    display: flex;
    flex-direction: column;
    gap: var(--space-4);
    margin-top: var(--space-5);
  }
`;

const Row = styled.button`
  display: block;
  width: 100%;
  padding: var(--space-2) var(--space-4);
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
  &:hover {
    background: var(--band-2);
  }
  &[aria-pressed='true'] {
    border-left-color: var(--gorse);
    background: var(--sheet);
    font-weight: 600;
  }
`;

/** How a game is played: rules of every kind, taken over for what stands on the floor, or put on the card as a further station. */
export default function WaysDialog({ game, onTake, onClose }: { game: Game; onTake: (game: Game) => void; onClose: () => void }) {
  const [way, setWay] = useState<Way>(WAYS[0]!);
  const [binding, setBinding] = useState<Binding>(() => usualBinding(game, WAYS[0]!));
  const pick = (next: Way) => {
    setWay(next);
    setBinding(usualBinding(game, next));
  };
  const roles = rolesOf(way);
  const groups = (field: 'places' | 'targets') =>
    Object.entries(game.course[field]).map(([group, list]) => ({
      value: group,
      label: `${thingWords(game, { kind: field === 'places' ? 'place' : 'target', group, index: 0 }).replace(/ \d+$/, '')}${list.length > 1 ? `, ${list.length} of them` : ''}`,
    }));
  const practised = game.parts.every((part) => part.measure.of === 'minutes');
  return (
    <Dialog title="How it is played" isOpen onClose={onClose} width={960}>
      <Two>
        <div>
          {(Object.keys(WAY_FAMILIES) as WayFamily[]).map((family) => (
            <section key={family}>
              <h3>{WAY_FAMILIES[family]}</h3>
              {WAYS.filter((one) => one.family === family).map((one) => (
                <Row key={one.id} type="button" aria-pressed={one === way} onClick={() => pick(one)}>
                  {one.name}
                </Row>
              ))}
            </section>
          ))}
        </div>
        <div className="told">
          <p>
            <strong>{way.says}</strong>
          </p>
          {sentencesOf(withWay(game, way, binding), 'precise')
            .slice(1)
            .map((sentence, index) => (
              <p key={index}>{plainText(sentence)}</p>
            ))}
          {roles.length > 0 && (
            <div className="roles">
              {roles.map((role) => (
                <Select
                  key={role.id}
                  label={`${role.field === 'places' ? 'Where to stand' : 'What is aimed at'}${roles.filter((one) => one.field === role.field).length > 1 ? ` (“${role.id}”)` : ''}`}
                  value={binding[role.id] ?? 'new'}
                  choices={[...groups(role.field), { value: 'new', label: role.n === 1 ? 'a new one' : `${role.n} new ones` }]}
                  onChange={(group) =>
                    setBinding(
                      Object.fromEntries([
                        ...Object.entries(binding).filter(([id]) => id !== role.id),
                        ...(group === 'new' ? [] : [[role.id, group]]),
                      ]),
                    )
                  }
                />
              ))}
            </div>
          )}
        </div>
      </Two>
      <DialogActions>
        <Button onPress={onClose}>Leave it as it is</Button>
        {!practised && <Button onPress={() => onTake(withStation(game, way, binding))}>Add it to the card as a station</Button>}
        <Button $strong onPress={() => onTake(withWay(game, way, binding))}>
          Play it so
        </Button>
      </DialogActions>
    </Dialog>
  );
}
