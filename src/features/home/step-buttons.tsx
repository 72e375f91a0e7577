'use client';
/** On to the next step and back to the one before: the same on every step, and told by an arrow to whoever does not read. */
import { ArrowRight } from 'lucide-react';
import styled from 'styled-components';
import { useWords } from '@/features/languages/use-words';
import { TextButton } from '../counter/text-button';
import { Big } from './home-style';

const Onward = styled(ArrowRight)`
  flex: none;
  [dir='rtl'] & {
    transform: scaleX(-1);
  }
`;

export function OnButton({ children, disabled = false, onPress }: { children: string; disabled?: boolean; onPress: () => void }) {
  return (
    <Big type="button" disabled={disabled} onClick={onPress}>
      {children}
      <Onward size={28} aria-hidden />
    </Big>
  );
}

export function BackButton({ onPress }: { onPress: () => void }) {
  const { i18n } = useWords();
  return (
    <TextButton type="button" onClick={onPress}>
      {i18n.t('Back (to the screen before)', {}, { message: 'Back' })}
    </TextButton>
  );
}
