'use client';
import { memo, useState, type Dispatch } from 'react';
import styled from 'styled-components';
import { targetOf } from '@/core/course/geometry';
import type { Game } from '@/core/rules/format/game';
import { plainText, sentencesOf, type Sentence, type Token } from '@/core/rules/telling/sentences';
import { cautionsFor } from '@/core/sheet/set-up';
import { Ticked } from '@/ui/form/fields';
import { InlineSelect } from '@/ui/field';
import { NumberSlot } from '@/ui/number-slot';
import { QuietButton } from '@/ui/button';
import type { DraftAction } from './draft';

const Panel = styled.section`
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  & h2 {
    font-size: var(--type-1);
    font-weight: 600;
    color: var(--ink-soft);
  }
  & .sentence {
    font-size: var(--type-3);
    line-height: 1.6;
  }
`;

const Words = styled.input`
  max-width: 100%;
  min-width: 4rem;
  field-sizing: content;
  height: 1.5em;
  padding: 0;
  border: 0;
  border-bottom: 2px solid var(--gorse);
  background: transparent;
  font-weight: 700;
  &:focus {
    background: color-mix(in srgb, var(--gorse) 16%, transparent);
  }
`;

/** Words that would not fit on a line: they wrap where they stand. */
const LongWords = styled.textarea`
  display: block;
  width: 100%;
  padding: 0;
  border: 0;
  border-bottom: 2px solid var(--gorse);
  background: transparent;
  font: inherit;
  font-weight: 700;
  line-height: 1.45;
  resize: none;
  field-sizing: content;
  &:focus {
    background: color-mix(in srgb, var(--gorse) 16%, transparent);
  }
`;

const LONG = 44;

const Only = styled.small`
  margin-left: var(--space-1);
  color: var(--ink-soft);
  font-size: var(--type-1);
  vertical-align: super;
`;

const Child = styled.div`
  font-family: var(--font-child), sans-serif;
  padding: var(--space-4) var(--space-5);
  background: var(--sheet);
  border: 1px solid var(--line);
  & p {
    font-size: var(--type-3);
    line-height: 1.5;
  }
  & p + p {
    margin-top: var(--space-3);
  }
`;

const Aside = styled.div`
  display: flex;
  gap: var(--space-7);
  font-size: var(--type-1);
`;

const Cautions = styled.ul`
  margin: 0;
  padding: var(--space-4) var(--space-5) var(--space-4) var(--space-7);
  border: 1px solid var(--line);
  background: var(--sheet);
  font-size: var(--type-1);
`;

interface RulesPanelProps {
  /** The game at the level that is shown; and as it is at every level. */
  readonly level: Game;
  readonly game: Game;
  readonly shown: number;
  readonly levelName: string;
  /** What is changed is changed at the level that is shown only. */
  readonly onlyHere: boolean;
  readonly onWays: () => void;
  readonly dispatch: Dispatch<DraftAction>;
  readonly readOnly?: boolean;
}

/** The rules as the family will read them, each slot edited where it stands. */
export const RulesPanel = memo(function RulesPanel({ level, game, shown, levelName, onlyHere, onWays, dispatch, readOnly = false }: RulesPanelProps) {
  const [aside, setAside] = useState<'child' | 'cautions' | null>(null);
  const sentences = sentencesOf(level, 'precise');
  const usual = new Map(
    sentencesOf(game, 'precise')
      .flat()
      .flatMap((token) => (token.kind === 'slot' ? [[token.slot, token.text] as const] : [])),
  );
  const change: Change = (slot, value) => dispatch({ do: 'slot', slot, value, shown, onlyHere });
  return (
    <Panel aria-labelledby="rules-heading">
      <h2 id="rules-heading">The rules, as the family will read them</h2>
      {!readOnly && !sentences.flat().some((token) => token.kind === 'slot' && /^\/?aim$/.test(token.slot)) && (
        <div className="sentence">
          <TextSlot label="What the child is to do" value="" maxLength={140} onChange={(value) => change('aim', value)} />
        </div>
      )}
      {/* No paragraphs: a choice holds blocks, which a paragraph may not. */}
      {sentences.map((sentence, index) => (
        <div key={index} className="sentence">
          {withoutLoneStops(sentence).map((token, at) => (
            <Slot
              key={token.kind === 'slot' ? token.slot : `text-${at}`}
              token={token}
              change={change}
              readOnly={readOnly}
              only={token.kind === 'slot' && usual.get(token.slot) !== token.text ? levelName : null}
            />
          ))}
        </div>
      ))}
      {!readOnly && (
        <Ticked
          label="the child adds it up before the page says it"
          on={game.childAdds === true}
          onChange={(on) =>
            dispatch({
              do: 'edit',
              change: ({ childAdds: _adds, ...rest }) => (on ? { ...rest, childAdds: true } : rest),
            })
          }
        />
      )}
      <Aside>
        {!readOnly && <QuietButton onPress={onWays}>Another way to play</QuietButton>}
        <QuietButton onPress={() => setAside(aside === 'child' ? null : 'child')} aria-expanded={aside === 'child'}>
          The child&apos;s words
        </QuietButton>
        <QuietButton onPress={() => setAside(aside === 'cautions' ? null : 'cautions')} aria-expanded={aside === 'cautions'}>
          Cautions sent with it
        </QuietButton>
      </Aside>
      {aside === 'child' && (
        <Child>
          {sentencesOf(level, 'child').map((sentence, index) => (
            <p key={index}>{plainText(sentence)}</p>
          ))}
        </Child>
      )}
      {aside === 'cautions' && (
        <Cautions>
          {cautionsFor(level).map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </Cautions>
      )}
    </Panel>
  );
}, saysTheSame);

/** Moving a mark or the target changes no rule: the panel stays as it is. */
function saysTheSame(before: RulesPanelProps, after: RulesPanelProps): boolean {
  const [a, b] = [before.level, after.level];
  return (
    before.game.parts === after.game.parts &&
    before.shown === after.shown &&
    before.levelName === after.levelName &&
    before.onlyHere === after.onlyHere &&
    before.onWays === after.onWays &&
    a.teaching === b.teaching &&
    (a.course.obstacles?.length ?? 0) === (b.course.obstacles?.length ?? 0) &&
    (a.parts === b.parts || JSON.stringify(a.parts) === JSON.stringify(b.parts)) &&
    a.aim === b.aim &&
    JSON.stringify(a.kit) === JSON.stringify(b.kit) &&
    JSON.stringify(a.sides) === JSON.stringify(b.sides) &&
    a.card === b.card &&
    a.calls === b.calls &&
    a.childAdds === b.childAdds &&
    targetOf(a)?.object === targetOf(b)?.object &&
    before.dispatch === after.dispatch &&
    before.readOnly === after.readOnly
  );
}

type Change = (slot: string, value: string | number) => void;

/** A figure or a word that is edited where it stands; one that this level has otherwise than the others says so. */
function Slot({ token, change, readOnly, only }: { token: Token; change: Change; readOnly: boolean; only: string | null }) {
  if (token.kind === 'text') return token.text;
  if (readOnly) return <strong>{token.text}</strong>;
  // The same field before and after: who types in it stays in it.
  return (
    <>
      <Editor token={only === null ? token : { ...token, label: `${token.label}, at ${only} only` }} change={change} />
      {only !== null && <Only title={`At ${only} only`}>{only}</Only>}
    </>
  );
}

function Editor({ token, change: changeSlot }: { token: Extract<Token, { kind: 'slot' }>; change: Change }) {
  const { editor, slot, label } = token;
  const change = (value: string | number) => changeSlot(slot, value);
  switch (editor.kind) {
    case 'number':
      return <NumberSlot label={label} value={editor.value} min={editor.min} max={editor.max} step={editor.step} onChange={change} />;
    case 'text':
      return <TextSlot key={editor.value} label={label} value={editor.value} maxLength={editor.maxLength} onChange={change} />;
    case 'choice':
      return <InlineSelect label={label} value={editor.value} choices={editor.options} onChange={change} />;
  }
}

/** Long words stand in a block of their own: no full stop is left alone behind it. */
function withoutLoneStops(sentence: Sentence): Sentence {
  return sentence.map((token, index) => {
    const before = sentence[index - 1];
    const block = before?.kind === 'slot' && before.editor.kind === 'text' && before.text.length > LONG;
    return block && token.kind === 'text' ? { ...token, text: token.text.replace(/^\.\s*/, '') } : token;
  });
}

function TextSlot({ label, value, maxLength, onChange }: { label: string; value: string; maxLength: number; onChange: (value: string) => void }) {
  const [typed, setTyped] = useState(value);
  const long = typed.length > LONG;
  const shared = {
    'aria-label': label,
    value: typed,
    maxLength,
    placeholder: 'What is the child to do?',
    onBlur: () => typed !== value && onChange(typed.trim()),
  };
  if (long)
    return (
      <LongWords
        {...shared}
        rows={Math.ceil(typed.length / LONG)}
        onChange={(event) => setTyped(event.target.value.replaceAll('\n', ' '))}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          event.currentTarget.blur();
        }}
      />
    );
  return (
    <Words
      {...shared}
      size={Math.max(8, typed.length === 0 ? shared.placeholder.length : typed.length)}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
    />
  );
}
