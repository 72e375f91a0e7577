'use client';
import styled, { css } from 'styled-components';

export const Field = styled.div`
  display: flex;
  flex-direction: column;
  flex: 1;
  gap: var(--space-4);
  min-height: 0;
`;

export const Time = styled.p`
  contain: layout paint;
  font-size: clamp(4.2rem, 25vw, 6.4rem);
  font-weight: 700;
  line-height: 0.95;
  text-align: center;
  letter-spacing: -0.02em;
  &[data-small] {
    font-size: clamp(3rem, 16vw, 3.8rem);
  }
`;

export const Left = styled.div`
  flex: none;
  height: 14px;
  border: 1.5px solid var(--ink);
  background: var(--band-2);
  & div {
    height: 100%;
    background: var(--tide);
    transform-origin: left;
  }
`;

export const Ask = styled.p`
  font-size: var(--type-6);
  font-weight: 700;
  text-align: center;
  line-height: 1.2;
`;

export const Said = styled.p`
  font-size: var(--type-3);
  text-align: center;
  line-height: 1.25;
`;

export const Marks = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: center;
  gap: var(--space-4) var(--space-5);
  & button {
    min-width: 60px;
    height: 60px;
    padding: 0 var(--space-4);
    border: 2px solid var(--ink);
    border-radius: var(--radius-3);
    background: var(--sheet);
    font-size: var(--type-4);
    font-weight: 700;
    cursor: pointer;
  }
  & button[aria-checked='true'] {
    background: var(--gorse);
    color: var(--on-gorse);
  }
  &[data-many] button {
    min-width: 46px;
    height: 46px;
    font-size: var(--type-3);
  }
`;

export const Score = styled.p`
  contain: layout paint;
  text-align: center;
  font-size: var(--type-4);
  line-height: 1.05;
  & b {
    display: block;
    font-size: var(--type-7);
  }
`;

const big = css`
  contain: layout paint;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: var(--space-3);
  width: 100%;
  min-height: 72px;
  border: 2px solid var(--ink);
  border-radius: var(--radius-2);
  font-size: var(--type-6);
  font-weight: 700;
  line-height: 1.1;
  cursor: pointer;
  touch-action: manipulation;
  -webkit-tap-highlight-color: transparent;
  user-select: none;
  & span {
    font-size: var(--type-4);
    font-weight: 400;
  }
  &[data-several] {
    min-height: 60px;
    font-size: var(--type-5);
  }
`;

export const Success = styled.button`
  ${big}
  flex: 2;
  background: var(--ink);
  color: var(--on-ink);
  &:disabled {
    opacity: 0.45;
    cursor: default;
  }
`;

export const Failure = styled.button`
  ${big}
  flex: 1;
  background: var(--sheet);
  color: var(--ink);
`;

export const Owed = styled.section`
  display: flex;
  flex-direction: column;
  flex: 1;
  gap: var(--space-5);
  padding-top: var(--space-6);
  text-align: center;
  & .times {
    font-size: var(--type-8);
    font-weight: 700;
    line-height: 1;
  }
`;

export const Small = styled.div`
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
`;

/** Things that happened on the way: pressed before the end is tapped. */
export const Flags = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  & button {
    flex: 1 1 40%;
    min-height: 48px;
    padding: var(--space-2) var(--space-4);
    border: 2px dashed var(--ink);
    border-radius: var(--radius-2);
    background: transparent;
    font-size: var(--type-3);
    cursor: pointer;
  }
  & button[aria-pressed='true'] {
    border-style: solid;
    background: var(--gorse);
    color: var(--on-gorse);
    font-weight: 700;
  }
`;

export const List = styled.ul`
  display: flex;
  flex-direction: column;
  flex: 1;
  gap: var(--space-3);
  min-height: 120px;
  margin: 0;
  padding: var(--space-1);
  overflow-y: auto;
  list-style: none;
  & button {
    display: flex;
    align-items: center;
    gap: var(--space-5);
    width: 100%;
    min-height: 48px;
    padding: var(--space-2) var(--space-5);
    border: 2px solid var(--line-strong);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-4);
    text-align: start;
    cursor: pointer;
  }
  & button:disabled {
    border-style: dashed;
    background: transparent;
    color: var(--ink-soft);
    text-decoration: line-through;
    cursor: default;
  }
`;

export const Entry = styled.div`
  display: grid;
  grid-template-columns: 64px 1fr 64px;
  gap: var(--space-4);
  & button {
    min-height: 64px;
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-6);
    font-weight: 700;
    cursor: pointer;
  }
  & input {
    width: 100%;
    min-height: 64px;
    border: 2px solid var(--ink);
    border-radius: var(--radius-2);
    background: var(--sheet);
    font-size: var(--type-6);
    font-weight: 700;
    text-align: center;
  }
  &[data-words] {
    grid-template-columns: 1fr;
  }
  &[data-words] input {
    font-size: var(--type-5);
  }
`;

/** A choice among a few, as a tile: a thick line of gorse under what is chosen. */
export const tile = css`
  min-height: 46px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-1);
  background: var(--sheet);
  cursor: pointer;
  &:has(:checked) {
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--gorse);
    font-weight: 700;
  }
  &:has(:focus-visible) {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  @media (forced-colors: active) {
    &:has(:checked) {
      border: 4px solid Highlight;
    }
  }
`;

export const Centred = styled.p`
  text-align: center;
`;
