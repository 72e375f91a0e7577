/**
 * What runs in a family's page before its scripts have come: on a poor line they take seconds, the words and the drawing of the card need not wait.
 */
import { deviceLanguage, KEPT_AS, OURS } from '@/features/languages/device-language';

/** Where it paints, and by which class it finds the drawing in it. */
export const FIRST_SIGHT = 'first-sight';
export const DRAWN = 'drawn';

declare global {
  interface Window {
    /** The name of the button that was tapped last on the first sight. */
    lochsideTapped?: string | undefined;
    /** The name of the button of the first sight that is held down just now. */
    lochsideHeld?: string | undefined;
    /** The drawing of the first sight: it stands until the page's own is there. */
    lochsideDrawn?: string | undefined;
  }
}

/** Asks the school for the card as it looks, and shows it where `place` still is. Written into the page as it stands: it knows only what it is handed. */
function paintFirstSight(languageOf: typeof deviceLanguage, keptAs: string, ours: readonly string[], place: string, drawn: string): void {
  const { hash } = window.location;
  const key = new URLSearchParams(hash.slice(1)).get('k');
  if (key === null || key === '') return;
  // A device that keeps the page has its scripts at once: the school need not paint for it.
  if (navigator.serviceWorker?.controller) return;
  const nonce = (document.currentScript as HTMLScriptElement).nonce;
  const language = encodeURIComponent(languageOf(keptAs, ours));
  fetch('/api/v1/home/first-sight?language=' + language, { headers: { authorization: 'Bearer ' + key } })
    .then((answer) => (answer.ok ? (answer.json() as Promise<{ html: string; css: string; language: string; direction: string }>) : null))
    .then((sight) => {
      const painted = document.getElementById(place);
      // The page was quicker, or is another's by now.
      if (sight === null || painted === null || window.location.hash !== hash) return;
      document.documentElement.lang = sight.language;
      document.documentElement.dir = sight.direction;
      painted.innerHTML = sight.html;
      document.title = (painted.querySelector('h1')?.textContent ?? '') + ' · Lochside';
      const style = document.createElement('style');
      style.nonce = nonce;
      style.textContent = sight.css;
      document.head.append(style);
      window.lochsideDrawn = painted.querySelector('.' + drawn)?.innerHTML;
      const buttonOf = (event: Event) => (event.target as Element).closest('button:enabled');
      const nameOf = (button: Element | null) => button?.getAttribute('aria-label') ?? button?.textContent ?? undefined;
      painted.addEventListener('click', (event) => {
        const button = buttonOf(event);
        if (button === null) return;
        painted.querySelector('[aria-busy]')?.removeAttribute('aria-busy');
        button.setAttribute('aria-busy', 'true');
        window.lochsideTapped = nameOf(button);
      });
      painted.addEventListener('pointerdown', (event) => (window.lochsideHeld = nameOf(buttonOf(event))));
      for (const end of ['pointerup', 'pointercancel']) document.addEventListener(end, () => (window.lochsideHeld = undefined));
    })
    .catch(() => undefined);
}

/** The script of the page, to be written into it under its nonce. */
export const firstSightScript = (): string =>
  `(${paintFirstSight.toString()})(${deviceLanguage.toString()},${[KEPT_AS, OURS, FIRST_SIGHT, DRAWN].map((one) => JSON.stringify(one)).join(',')})`;
