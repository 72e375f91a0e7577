'use client';
import styled from 'styled-components';
import type { Game } from '@/core/rules/format/game';
import { useWords } from '@/features/languages/use-words';
import type { PartField } from '@/core/reports/parts';
import { FigureField } from './figure-field';

const Steps = styled.div`
  display: grid;
  grid-template-columns: 1fr 60px 76px 60px;
  align-items: center;
  gap: var(--space-4);
  & button {
    min-height: 56px;
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-5);
    font-weight: 700;
    cursor: pointer;
  }
  & input {
    width: 100%;
    min-height: 56px;
    border: 0;
    border-bottom: 3px solid var(--gorse);
    background: transparent;
    text-align: center;
    font-size: var(--type-6);
    font-weight: 700;
  }
  & small {
    color: var(--ink-soft);
  }
`;

const Title = styled.h2`
  margin-top: var(--space-3);
`;

/** Nothing was tapped: the parts of the score, written at the end, as few or as many as the game has. */
export function PartsEntry({
  game,
  fields,
  typed,
  onTyped,
  onFault,
}: {
  game: Game;
  fields: readonly PartField[];
  typed: readonly (number | null)[];
  onTyped: (typed: readonly (number | null)[]) => void;
  /** A field holds something that is no figure for it, or holds one again. */
  onFault?: (index: number, faulty: boolean) => void;
}) {
  const { i18n, own } = useWords();
  const put = (index: number, value: number | null) =>
    onTyped(
      typed.map((old, at) => (at === index ? (value === null ? null : Math.max(fields[index]!.least, Math.min(fields[index]!.most, value))) : old)),
    );
  return fields.map((field, index) => {
    const part = game.parts[field.part]!;
    const heading = game.parts.length > 1 || part.goes.n > 1;
    const first = index === 0 || fields[index - 1]!.part !== field.part || fields[index - 1]!.go !== field.go;
    return (
      <div key={index}>
        {heading && first && (
          <Title>
            {[part.title ? own(part.title) : '', part.goes.n > 1 ? i18n.t('go {n}', { n: field.go + 1 }) : ''].filter(Boolean).join(', ')}
          </Title>
        )}
        <Steps>
          <span>
            {field.label}
            {field.each !== null && field.each !== 1 && (
              <>
                <br />
                <small>{i18n.t('{n} each', { n: field.each })}</small>
              </>
            )}
          </span>
          <button type="button" aria-label={i18n.t('One fewer: {label}', { label: field.label })} onClick={() => put(index, (typed[index] ?? 0) - 1)}>
            −
          </button>
          <FigureField
            aria-label={field.label}
            value={typed[index] ?? null}
            range={{ least: field.least, most: field.most, whole: true }}
            onFigure={(figure) => {
              onFault?.(index, figure === undefined);
              if (figure !== undefined) put(index, figure);
            }}
          />
          <button type="button" aria-label={i18n.t('One more: {label}', { label: field.label })} onClick={() => put(index, (typed[index] ?? 0) + 1)}>
            +
          </button>
        </Steps>
      </div>
    );
  });
}
