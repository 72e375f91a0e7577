/** Renders a child's card as its page does, for the page whose scripts are still on their way: what is seen first is what stays. */
import { text } from 'node:stream/consumers';
import { prerenderToNodeStream } from 'react-dom/static';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';
import type { RenderFirstSight } from '@/contract/first-sight';
import { CardToLookAt } from '@/features/home/card-to-look-at';
import { InTheseWords, wordsOf } from '@/features/languages/use-words';

const nothing = () => undefined;

/** What the styling package would go on from, were this its own page. */
const FOR_TAKING_OVER = /<\/?style[^>]*>|\/\*!sc\*\/\n?|data-styled\.g\d+\[id=[^\]]*\]\{[^}]*\}/g;

/** What the device adds (what waits in it, whose cards it has) is not known here. */
export const renderFirstSight: RenderFirstSight = async (card, language, today) => {
  const words = await wordsOf(language);
  const sheet = new ServerStyleSheet();
  try {
    const { prelude } = await prerenderToNodeStream(
      <StyleSheetManager sheet={sheet.instance}>
        <InTheseWords words={words}>
          <CardToLookAt card={card} today={today} onCalendar={nothing} />
        </InTheseWords>
      </StyleSheetManager>,
      // All of it in its place: no script of ours moves a part that came late.
      { progressiveChunkSize: Number.MAX_SAFE_INTEGER },
    );
    const html = await text(prelude);
    const css = sheet.getStyleTags().replace(FOR_TAKING_OVER, '');
    return { html: html.replace(/<!--.*?-->/gs, ''), css, language: words.tag, direction: words.direction };
  } finally {
    sheet.seal();
  }
};
