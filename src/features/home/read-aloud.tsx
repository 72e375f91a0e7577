'use client';
import { useEffect, useState } from 'react';
import { Volume2 } from 'lucide-react';
import { TextButton } from '../counter/counter-style';

/** Says the words of the screen aloud, where the device can. */
export function ReadAloud({ words }: { words: string }) {
  const [can, setCan] = useState(false);
  useEffect(() => {
    setCan('speechSynthesis' in window);
    return () => window.speechSynthesis?.cancel();
  }, []);
  if (!can) return null;
  const say = () => {
    window.speechSynthesis.cancel();
    const speech = new SpeechSynthesisUtterance(words);
    speech.lang = 'en-GB';
    speech.rate = 0.9;
    window.speechSynthesis.speak(speech);
  };
  return (
    <TextButton type="button" onClick={say}>
      <Volume2 size={18} aria-hidden style={{ verticalAlign: '-3px' }} /> Read aloud
    </TextButton>
  );
}
