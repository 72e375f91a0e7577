'use client';
import { useServerInsertedHTML } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';

/** Sends the styles of the first render with the page, under the nonce of the content policy. */
export function StyleRegistry({ nonce: newest, children }: { nonce: string; children: ReactNode }) {
  // A refresh brings the nonce of another answer; the browser goes on asking for that of the document.
  const [nonce] = useState(newest);
  const [sheet] = useState(() => new ServerStyleSheet({ nonce }));
  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement();
    sheet.instance.clearTag();
    return <>{styles}</>;
  });
  if (typeof window !== 'undefined') return <StyleSheetManager nonce={nonce}>{children}</StyleSheetManager>;
  return (
    <StyleSheetManager sheet={sheet.instance} nonce={nonce}>
      {children}
    </StyleSheetManager>
  );
}
