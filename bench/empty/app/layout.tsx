import type { ReactNode } from 'react';
import { StyleRegistry } from '../../../src/ui/registry';

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en-GB">
      <body>
        <StyleRegistry nonce="">{children}</StyleRegistry>
      </body>
    </html>
  );
}
