import Bowser from 'bowser';

/** "Firefox on Windows": enough to know one's own sessions apart, and no more than that. */
export function browserNamed(request: Request): string {
  const { browser, os } = Bowser.parse(request.headers.get('user-agent') || 'nobody');
  return `${browser.name ?? 'A browser'} on ${os.name ?? 'a computer'}`.slice(0, 60);
}
