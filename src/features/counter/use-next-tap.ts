import { useEffect, useRef, type RefObject } from 'react';
import { Success } from './counter-style';

const USABLE = ':not(:disabled)';

/** What is tapped next, from the likeliest: what went well, any other of the large buttons, a thing of a list, a mark. */
const NEXT_TAPS = [`${Success}${USABLE}`, `button[data-several]${USABLE}`, `li button${USABLE}`, `[role=radio]${USABLE}`];

/**
 * A tap may take away the button that was tapped, as when a penalty is owed or the last pin of a set fell. The focus then goes to where the next tap
 * is, and never to the top of the page. A field is gone to only from the button that wrote it down: else it would call up the keys of the screen.
 */
export function useNextTap(): RefObject<HTMLDivElement | null> {
  const field = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const { activeElement } = document;
    const spent = activeElement?.matches(':disabled') === true;
    if (!field.current || (!spent && activeElement !== null && activeElement !== document.body && activeElement.tagName !== 'H1')) return;
    const taps = spent ? [NEXT_TAPS[0]!, 'input', ...NEXT_TAPS.slice(1)] : NEXT_TAPS;
    const next = taps.map((one) => field.current!.querySelector<HTMLElement>(one)).find((found) => found !== null);
    next?.focus({ preventScroll: true });
  });
  return field;
}
