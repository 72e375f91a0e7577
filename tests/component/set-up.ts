/** For component tests (files that ask for happy-dom): what was rendered is taken away after each, and what the DOM lacks stands in. */
import { afterEach, vi } from 'vitest';

if (typeof document !== 'undefined') {
  const { cleanup, configure } = await import('@testing-library/react');
  afterEach(cleanup);
  // What is slow is not wrong.
  configure({ asyncUtilTimeout: 20_000 });
  // React Aria's segments of a date collapse the selection, which happy-dom answers with another focus.
  Selection.prototype.collapse = () => undefined;
  // happy-dom's document is not an instance of the Document of its own window: React Aria would not find where the focus is.
  Object.defineProperty(window, 'Document', { value: Object.getPrototypeOf(document.constructor), configurable: true });
  vi.doMock('next/navigation', () => ({
    useRouter: () => ({ push: vi.fn(), refresh: vi.fn(), replace: vi.fn() }),
    usePathname: () => '/',
    useSearchParams: () => new URLSearchParams(),
  }));
}
